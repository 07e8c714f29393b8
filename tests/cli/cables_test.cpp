// SPDX-License-Identifier: GPL-3.0-or-later
// cables on the command line.
#include "cli/run.h"
#include "core/support.h"
#include "project/kinds/thing_edits.h"
#include "project/storage.h"

using yemvo::test::Answer;
using yemvo::test::run;
using namespace yemvo;

namespace {

std::string hall(const test::TemporaryFolder& folder, bool with_closet) {
    Project p = test::one_floor();
    test::wall(p, "brick-half", {{0, 0}, {190, 0}, {190, 10}, {0, 10}, {0, 0}});
    for (const double x : {12.0, 180.0})
        add_access_point(p, test::floor_at(p, 0), p.models->front().id, {x, 5});
    if (with_closet)
        add_thing(p, test::floor_at(p, 0),
                  Closet{{}, "TR-1", {2, 5}, 1, {}, {{"A", 8, PowerSource::bt3, 370, 1000}}});
    const std::string path = (folder / "hall.yemvo").string();
    save_project(p, path);
    return path;
}

}  // namespace

TEST_CASE("cables prints every run, the closets, and where further ones would do") {
    const test::TemporaryFolder folder;
    const Answer answer = run({"cables", hall(folder, true), "--json"});
    INFO(answer.err);
    REQUIRE(answer.code == 0);
    const nlohmann::json found = answer.value();
    REQUIRE(found["cables"].size() == 2);
    const nlohmann::json first = found["cables"][0];
    CHECK(first["way_m"].get<double>() == Approx(10).margin(0.01));
    CHECK(first["link_m"].get<double>() ==
          Approx((first["way_m"].get<double>() + first["drops_m"].get<double>()) * 1.1 + 3).margin(0.01));
    CHECK(first["closet"] == "TR-1");
    CHECK(first["switch"] == "A");
    CHECK(first["port"] == 1);
    CHECK(found["cables"][1]["channel_m"].get<double>() > 100);
    CHECK(found["closets"][0]["switches"][0]["ports_used"] == 2);
    REQUIRE(found["further_closets"].size() == 1);
    CHECK(found["further_closets"][0]["reaches"] == nlohmann::json::array({2}));
    CHECK(found["fewest"] == true);
}

TEST_CASE("cables without a closet says so, and a missing file fails") {
    const test::TemporaryFolder folder;
    const Answer answer = run({"cables", hall(folder, false)});
    CHECK(answer.code == 0);
    CHECK_THAT(answer.out, Catch::Contains("no way to a closet") && Catch::Contains("would reach"));
    const Answer missing = run({"cables", (folder / "none.yemvo").string()});
    CHECK(missing.code != 0);
    CHECK_THAT(missing.err, Catch::Contains("none.yemvo"));
}
