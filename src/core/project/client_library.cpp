// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/client_library.h"

#include <algorithm>

#include "project/demand_edits.h"
#include "project/json_demand.h"
#include "project/json_gear.h"
#include "project/json_lists.h"
#include "project/json_parse.h"
#include "project/library_file.h"
#include "project/project.h"

namespace yemvo {
namespace {

template <class Thing>
void put_by_key(std::vector<Thing>& list, const Thing& thing) {
    const auto at = std::ranges::find(list, thing.key, &Thing::key);
    if (at == list.end())
        list.push_back(thing);
    else
        *at = thing;
}

/// Equal but for the key, which another project may have given to something else.
template <class Thing>
bool is_known(const std::vector<Thing>& list, Thing thing) {
    return std::ranges::any_of(list, [&](const Thing& mine) {
        thing.key = mine.key;
        return thing == mine;
    });
}

template <class Thing>
std::vector<Thing> unknown(const std::vector<Thing>& list, const std::vector<Thing>& known) {
    std::vector<Thing> fresh;
    for (const Thing& t : list)
        if (!is_known(known, t)) fresh.push_back(t);
    return fresh;
}

}  // namespace

std::string clients_to_json(const ClientLibrary& library) {
    const Json json{{"format", "yemvo-clients"},
                    {"version", 1},
                    {"clients", write_list(library.clients, write_client)},
                    {"applications", write_list(library.applications, write_application)}};
    return json.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

ClientLibrary clients_from_json(std::string_view text, const std::string& name) {
    const Json json = parse_json(text, name, say("Choose a file of clients that Yemvo wrote"));
    const Reader r(json, name + ": ");
    check_library_file(r, "yemvo-clients", name);
    return {read_list_if_any<ClientProfile>(r, "clients", read_client),
            read_list_if_any<Application>(r, "applications", read_application)};
}

void put(ClientLibrary& library, const ClientProfile& c) { put_by_key(library.clients, c); }
void put(ClientLibrary& library, const Application& a) { put_by_key(library.applications, a); }

ClientLibrary unknown_of(const ClientLibrary& library, const Project& p) {
    return {unknown(library.clients, *p.clients), unknown(library.applications, *p.demand.applications)};
}

void add_library(Project& p, const ClientLibrary& library) {
    for (const ClientProfile& c : library.clients) add_client(p, c);
    for (const Application& a : library.applications) add_application(p, a);
}

}  // namespace yemvo
