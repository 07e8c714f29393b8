// SPDX-License-Identifier: GPL-3.0-or-later
// Who is in the library, on a weekday afternoon and on an author's evening with the auditorium full.
#include "demo/composer.h"
#include "project/kinds/thing_edits.h"
#include "project/library.h"

namespace yemvo::demo {
namespace {

struct Use {
    const char *floor, *zone, *like;
    PeopleBy by;
    double amount, taken, devices;
    double weekday, evening;
    const char* network;
};

constexpr const char *guests = "guests", *staff = "staff", *things = "things";

// densities and seats as the library's own notice and its lists have them
constexpr Use uses[] = {
    {"Basement", "Archive", "store", PeopleBy::count, 2, 1, 1.5, 1, 0, things},
    {"Basement", "Workshop", "offices", PeopleBy::count, 3, 1, 1.5, 1, 0, staff},
    {"Ground floor", "Foyer", "cafe", PeopleBy::count, 60, 1, 1.2, 0.5, 1, guests},
    {"Ground floor", "Lounge", "cafe", PeopleBy::seats, 14, 0.7, 1.3, 1, 0.5, guests},
    {"Ground floor", "Café", "cafe", PeopleBy::seats, 64, 0.6, 1.25, 1, 0.8, guests},
    {"Ground floor", "Children", "cafe", PeopleBy::count, 36, 1, 0.5, 1, 0, guests},
    {"Ground floor", "Auditorium", "hall", PeopleBy::occupancy, 300, 0.95, 1.3, 0.1, 1, guests},
    {"Ground floor", "Staff", "offices", PeopleBy::count, 9, 1, 2, 1, 0.4, staff},
    {"First floor", "Reading room", "classroom", PeopleBy::seats, 96, 0.8, 1.4, 1, 0.2, guests},
    {"First floor", "Book stacks", "shop", PeopleBy::count, 14, 1, 1, 1, 0.1, guests},
    {"First floor", "Study rooms 1 to 7", "classroom", PeopleBy::seats, 46, 0.75, 1.7, 1, 0.1, guests},
    {"First floor", "Local history", "classroom", PeopleBy::count, 8, 1, 1.2, 1, 0, guests},
    {"First floor", "Office", "offices", PeopleBy::count, 4, 1, 2, 1, 0, staff},
    {"Second floor", "Offices", "offices", PeopleBy::density, 0.09, 1, 2, 1, 0.1, staff},
    {"Second floor", "Open office", "offices", PeopleBy::density, 0.12, 1, 2, 1, 0.1, staff},
    {"Second floor", "Maker space", "classroom", PeopleBy::count, 14, 1, 1.5, 1, 0, guests},
    {"Second floor", "Meeting room", "meeting", PeopleBy::occupancy, 24, 0.6, 1.8, 1, 0, staff},
    {"Second floor", "Terrace", "cafe", PeopleBy::count, 10, 1, 1.1, 1, 0.6, guests},
    {"Garden", "Garden terrace", "cafe", PeopleBy::seats, 32, 0.5, 1.1, 1, 0.6, guests},
    {"Garden", "Glasshouse", "cafe", PeopleBy::count, 8, 1, 1.1, 1, 0.2, guests},
};

struct Fixed {
    const char *floor, *zone, *name, *like;
    Point from, to;
    double amount;
};
const Fixed fixed[] = {
    {"Ground floor", "Foyer", "Lending desks", "tills", {33.6, 15.2}, {39.6, 15.2}, 4},
    {"Basement", "Archive", "Climate sensors", "sensors", {40, 25.5}, {58, 25.5}, 6},
};

ZoneDemand demand_of(const Fixed& row) {
    ZoneDemand d;
    for (const ZoneUse& known : standard_devices())
        if (known.key == row.like) d = known.demand;
    d.amount = row.amount;
    d.network = things;
    return d;
}

ZoneDemand demand_of(const Use& use) {
    ZoneDemand d;
    for (const ZoneUse& known : standard_uses())
        if (known.key == use.like) d = known.demand;
    d.by = use.by;
    d.amount = use.amount;
    d.taken = use.taken;
    d.devices = use.devices;
    d.connected = 1;
    d.network = use.network;
    if (use.weekday != 1) d.presence.push_back({"weekday", use.weekday});
    if (use.evening != 1) d.presence.push_back({"evening", use.evening});
    return d;
}

const Floor& floor_with(const Project& p, std::string_view floor, std::string_view zone) {
    for (const Floor* f : all_floors(p))
        for (const Zone& z : *f->zones)
            if (z.name == zone && (f->name == floor || building_with(p, f->id).name == floor)) return *f;
    throw std::logic_error("the demo has no such zone");
}

Network network(const char* key, const char* name, BandSet bands, double lowest_mbps) {
    Network n;
    n.key = key;
    n.name = name;
    n.bands = bands;
    n.lowest_rate_mbps = lowest_mbps;
    return n;
}

}  // namespace

void compose_demand(Project& p) {
    p.demand.hours = {{"weekday", "Weekday, 3 pm"}, {"evening", "Author's evening"}};
    p.demand.hour = "weekday";
    Network for_guests = network(guests, "Larkfield Guests", BandSet(band_24).with(band_5), 6);
    for_guests.limit_down_mbps = 25;
    for_guests.limit_up_mbps = 10;
    for_guests.addresses = 1020;
    p.demand.networks =
        std::vector<Network>{for_guests, network(staff, "Larkfield Staff", BandSet(band_5).with(band_6), 12),
                             network("events", "Larkfield Events", all_bands(), 6),
                             network("voice", "Larkfield Voice", band_5, 12),
                             network(things, "Larkfield Things", BandSet(band_24).with(band_5), 6)};
    p.demand.uplink = {1000, 500, 0.9, 65'000, 60};
    for (const Use& use : uses) {
        const Floor& floor = floor_with(p, use.floor, use.zone);
        for (Zone z : *floor.zones) {
            if (z.name != use.zone) continue;
            z.demand = demand_of(use);
            replace_zone(p, floor.id, z);
            break;
        }
    }
    for (const Fixed& row : fixed)
        add_thing(p, floor_with(p, row.floor, row.zone).id,
                  DeviceRow{{}, row.name, row.from, row.to, demand_of(row)});
}

}  // namespace yemvo::demo
