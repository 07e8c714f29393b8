// SPDX-License-Identifier: GPL-3.0-or-later
// Closets among the servers and in the office, a riser beside the core, and trays over the corridors.
#include "demo/composer.h"
#include "project/kinds/thing_edits.h"

namespace yemvo::demo {
namespace {

constexpr double tray_m = 3.0;

void tray(Project& p, const char* floor, const char* name, std::vector<Point> points) {
    add_thing(p, find_floor(p, floor)->id, Tray{{}, name, std::move(points), tray_m});
}

}  // namespace

void compose_cabling(Project& p) {
    const FloorId basement = find_floor(p, "Basement")->id, first = find_floor(p, "First floor")->id,
                  ground = find_floor(p, "Ground floor")->id;
    add_thing(p, basement,
              Closet{{}, "TR-1", {36.9, 14.2}, 2, {}, {{"TR-1-1", 24, PowerSource::bt3, 740, 10'000}}});
    add_thing(p, first,
              Closet{{}, "TR-2", {37.3, 15.9}, 1, {}, {{"TR-2-1", 24, PowerSource::bt3, 740, 10'000}}});
    // a cabinet in the glasshouse: the bicycle shelter is too far from the library
    add_thing(p, find_floor(p, "Garden")->id,
              Closet{{}, "TR-3", {22, 21.5}, 1, {}, {{"TR-3-1", 8, PowerSource::bt3, 240, 10'000}}});
    add_thing(p, basement, Riser{{}, "R-1", {35.5, 19.4}, 3});
    tray(p, "Basement", "T-1", {{36.9, 14.6}, {36.9, 19}, {17, 19}});
    tray(p, "Ground floor", "T-2", {{36, 18.8}, {17, 18.8}});
    tray(p, "Ground floor", "T-3", {{36, 18.8}, {57, 18.8}});
    tray(p, "First floor", "T-4", {{36, 18.8}, {17, 18.8}});
    tray(p, "First floor", "T-5", {{36, 18.8}, {44, 18.8}});
    tray(p, "Second floor", "T-6", {{36, 18.8}, {17, 18.8}});
    // left over from a till that stood here
    add_thing(p, ground, Outlet{{}, "D-12", {20.5, 15.8}, 2.6});
}

}  // namespace yemvo::demo
