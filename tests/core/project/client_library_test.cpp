// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/client_library.h"

#include "core/support.h"
#include "project/library.h"

using namespace yemvo;

namespace {

ClientLibrary mine() {
    ClientProfile kiosk = standard_clients().front();
    kiosk.key = "kiosk";
    kiosk.name = "Kiosk";
    kiosk.own_power_dbm = {{band_5, 11}};
    Application queue = standard_demand().applications->front();
    queue.key = "queue";
    queue.name = "Queue display";
    return {{kiosk}, {queue}};
}

}  // namespace

TEST_CASE("a library of clients is written and read back the same") {
    const ClientLibrary library = mine();
    CHECK(clients_from_json(clients_to_json(library), "mine") == library);
    const ClientLibrary standard{standard_clients(), *standard_demand().applications};
    CHECK(clients_from_json(clients_to_json(standard), "standard") == standard);
}

TEST_CASE("what a project has is not added again; what it has otherwise gets a key of its own") {
    Project p = new_project("P", {}, 1, 3);
    CHECK(unknown_of({*p.clients, *p.demand.applications}, p).empty());
    add_library(p, unknown_of(mine(), p));
    CHECK(unknown_of(mine(), p).empty());
    const std::size_t many = p.clients->size();
    ClientLibrary changed = mine();
    changed.clients[0].streams = 1;
    add_library(p, unknown_of(changed, p));
    REQUIRE(p.clients->size() == many + 1);
    CHECK(p.clients->back().streams == 1);
    CHECK(p.clients->back().key != (*p.clients)[many - 1].key);
    CHECK(unknown_of(changed, p).empty());
}

TEST_CASE("the newer of two profiles with one key stays in a library") {
    ClientLibrary library = mine();
    ClientProfile changed = library.clients[0];
    changed.power_dbm = 3;
    put(library, changed);
    REQUIRE(library.clients.size() == 1);
    CHECK(library.clients[0].power_dbm == 3);
}

TEST_CASE("a broken library of clients names the file and the place") {
    const auto read = [](const std::string& text) { return clients_from_json(text, "odd.json"); };
    CHECK_THROWS_WITH(read(""), Catch::Contains("odd.json"));
    CHECK_THROWS_WITH(read("[]"), Catch::Contains("odd.json"));
    CHECK_THROWS_WITH(read(R"({"format":"yemvo-gear","version":1})"), Catch::Contains("yemvo-clients"));
    CHECK_THROWS_WITH(read(R"({"format":"yemvo-clients","version":7})"), Catch::Contains("newer"));
    std::string text = clients_to_json(mine());
    const auto at = text.find("\"streams\"");
    REQUIRE(at != std::string::npos);
    text.replace(at, text.find_first_of(",\n", at) - at, "\"streams\": 99");
    CHECK_THROWS_WITH(read(text), Catch::Contains("clients[0]"));
}
