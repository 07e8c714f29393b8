// SPDX-License-Identifier: GPL-3.0-or-later
// First floor: reading room, stacks, study rooms, local history, round the atrium.
#include "demo/composer.h"

namespace yemvo::demo {
namespace {

void outer_walls(Composer& c) {
    c.wall("brick-cavity", {{16, 35}, {60, 35}, {60, 0}, {16, 0}});
    c.wall("glass-curtain", {{16, 0}, {0, 0}, {0, 35}, {16, 35}});
    c.windows("window-coated", {19.5, 0}, {6, 0}, 7, 2.6);
    c.windows("window-coated", {60, 10}, {0, 3.6}, 3, 2.0);
    c.windows("window-coated", {40, 35}, {4.8, 0}, 5, 1.6, 1.6, 2.6);
    c.windows("window-coated", {19, 35}, {2.6, 0}, 2, 1.8);
}

void rooms(Composer& c) {
    // reading room
    c.wall("glass-partition", {{16, 0}, {16, 35}});
    c.door("door-glass", {16, 18.5}, 1.8, false, true, 2.4);
    c.door("door-glass", {16, 31.5}, 1.6, true, true, 2.3);
    // stacks behind a fire wall
    c.wall("brick-half", {{38, 35}, {38, 23.5}, {60, 23.5}});
    c.door("door-steel", {38, 31.5}, 1.2);
    c.door("door-steel", {44.4, 23.5}, 1.2);
    // study rooms, glass to the corridor
    c.wall("glass-partition", {{16, 5.6}, {60, 5.6}});
    for (int i = 0; i < 7; ++i) {
        const double x = 16 + 6.2857142857 * i;
        if (i > 0) c.wall("plasterboard", {{x, 0}, {x, 5.6}});
        c.door("door-timber", {x + 5.1, 5.6}, 0.9, true);
    }
    // local history and the librarian's office
    c.wall("plasterboard-double", {{45, 5.6}, {45, 20.5}, {60, 20.5}});
    c.door("door-timber", {45, 10}, 1.2);
    c.door("door-timber", {58.2, 20.5}, 0.9, false, true);
    c.wall("plasterboard", {{36.5, 9}, {45, 9}});
    c.wall("plasterboard", {{36.5, 16.5}, {36.5, 9}});
    c.wall("glass-partition", {{36.5, 16.5}, {45, 16.5}});
    c.door("door-timber", {36.5, 12.6}, 0.9, false, true);
    // balustrade round the void
    c.wall("screen", {{19, 9}, {32, 9}, {32, 17}, {19, 17}, {19, 9}}, 0, 1.1);
}

void solids(Composer& c) {
    c.rows("stack-books", ObstacleKind::shelving, "Stack", {40.9, 25.4}, {58.3, 33.6}, {9, 0.45, false}, 2.2);
    for (Point p : {Point{19, 8.6}, {25.5, 8.6}, {32, 8.6}, {19, 17.4}, {25.5, 17.4}, {32, 17.4}})
        c.column(p, 0.45);
    c.ceiling("Study rooms", "ceiling-mineral", Composer::box(16, 0, 60, 5.6), 2.7);
    c.ceiling("Local history", "ceiling-mineral", Composer::box(45, 5.6, 60, 20.5), 3.05);
    c.slab_area("Glass floor", "slab-glass", Composer::box(12, 20, 15, 26));
    c.note("Stacks may be made compact later: twice as many rows", {39.4, 28.5});
}

void zones(Composer& c) {
    c.zone("Reading room", Composer::box(0, 0, 16, 35));
    c.zone("Book stacks", Composer::box(38, 23.5, 60, 35));
    c.zone("Study rooms 1 to 7", Composer::box(16, 0, 60, 5.6));
    c.zone("Local history", Composer::box(45, 5.6, 60, 20.5));
    c.zone("Office", Composer::box(36.5, 9, 45, 16.5));
    c.zone("Core", Composer::box(24, 20, 35, 29), ZoneKind::not_needed);
}

void gear(Composer& c) {
    c.access_point("ceiling-tri", {8, 28.5}, 3.0, {{11, 20, 8}, {108, 40, 14}, {21, 80, 17}});
    c.access_point("ceiling-wide", {8, 17.5}, 3.0, {{1, 20, 8}, {44, 40, 14}, {85, 80, 17}});
    c.access_point("ceiling-tri", {8, 6.5}, 3.0, {{11, 20, 8}, {140, 40, 14}, {53, 80, 17}});
    c.access_point("ceiling-mid", {44.3, 29.5}, 3.0, {{11, 20, 9}, {36, 40, 15}});
    c.access_point("ceiling-tri", {54.5, 29.5}, 3.0, {{6, 20, 9}, {116, 20, 16}, {21, 80, 17}});
    c.access_point("ceiling-entry", {25.7, 6.9}, 2.9, {{6, 20, 8}, {132, 40, 13}});
    c.access_point("ceiling-tri", {41, 7.3}, 2.9, {{11, 20, 8}, {100, 40, 13}, {69, 80, 17}});
    c.access_point("ceiling-tri", {52.5, 14}, 3.0, {{1, 20, 8}, {52, 40, 14}, {37, 80, 17}});
    c.access_point("wall-unit", {20.5, 34.7}, 2.4, {{6, 20, 8}, {60, 40, 13}, {5, 80, 16}}, 180);
}

}  // namespace

void compose_first(Composer c) {
    outer_walls(c);
    c.hole("Void over foyer", Composer::box(19, 9, 32, 17));
    compose_core(c);
    rooms(c);
    solids(c);
    zones(c);
    gear(c);
}

}  // namespace yemvo::demo
