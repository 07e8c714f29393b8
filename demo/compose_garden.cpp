// SPDX-License-Identifier: GPL-3.0-or-later
// The garden beside the library: a terrace, a bicycle shelter and a glasshouse on ground that falls to the
// east.
#include "demo/composer.h"

namespace yemvo::demo {

void compose_garden(Composer c) {
    // garden wall to the north and east
    c.wall("brick-half", {{0, 33}, {28, 33}, {28, 0}}, 0, 1.8);
    // glasshouse
    c.wall("window-single", {{14, 20}, {24, 20}, {24, 29}, {14, 29}, {14, 20}}, 0, 3.2);
    c.door("door-glass", {19, 20}, 1.6, false, true, 2.2);
    c.wall("shelving", {{16, 22.5}, {16, 27.5}}, 0, 1.2);
    c.wall("shelving", {{22, 22.5}, {22, 27.5}}, 0, 1.2);
    // bicycle shelter, open to the west
    c.wall("sandwich-panel", {{18, 3}, {25, 3}, {25, 8}, {18, 8}}, 0, 2.3);
    c.zone("Garden terrace", Composer::box(0.5, 8, 11, 30));
    c.zone("Glasshouse", Composer::box(14, 20, 24, 29));
    c.zone("Bicycle shelter", Composer::box(18, 3, 25, 8));
    c.zone("Lawn", {{11, 0.5}, {17, 0.5}, {17, 9}, {27.5, 9}, {27.5, 19}, {11, 19}}, ZoneKind::not_needed);
    // its antenna at 5 GHz is the one of gear/panel-sheet.pdf, taken from the sheet's charts
    const AccessPointId terrace =
        c.access_point("panel-external", {0.6, 19}, 3.6, {{1, 20, 13}, {108, 40, 16}}, 90, 8);
    c.antenna(terrace, 1, "sector-panel", "medium", 2);
    c.access_point("wall-unit", {19, 20.4}, 2.6, {{6, 20, 10}, {132, 40, 14}, {5, 0, 12}}, 0, 0);
    c.access_point("wall-unit", {24.7, 5.5}, 2.1, {{11, 20, 11}, {100, 40, 14}, {37, 0, 12}}, 270, 0);
}

}  // namespace yemvo::demo
