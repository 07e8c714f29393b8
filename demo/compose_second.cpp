// SPDX-License-Identifier: GPL-3.0-or-later
// Second floor: offices and a maker space round the atrium, and a terrace on the roof of the reading room.
#include "demo/composer.h"

namespace yemvo::demo {
namespace {

void outer_walls(Composer& c) {
    c.ring("brick-cavity", {{16, 0}, {60, 0}, {60, 35}, {16, 35}});
    c.wall("brick-half", {{16, 0}, {0, 0}, {0, 35}, {16, 35}}, 0, 1.1);  // parapet
    c.door("door-glass", {16, 20}, 1.8, false, true, 2.4);
    c.windows("window-double", {16, 6}, {0, 4.5}, 3, 2.8, 0.5, 2.6);
    c.windows("window-double", {16, 25.5}, {0, 4.5}, 2, 2.8, 0.5, 2.6);
    c.windows("window-coated", {19, 0}, {5.2, 0}, 8, 2.6);
    c.windows("window-coated", {60, 3}, {0, 6}, 5, 2.4);
    c.windows("window-coated", {40.5, 35}, {5, 0}, 4, 2.4, 1.2, 2.6);
}

void rooms(Composer& c) {
    // offices, glass to the corridor
    c.wall("glass-partition", {{36, 0}, {36, 11}, {60, 11}});
    for (double x : {42.0, 48.0, 54.0}) c.wall("stud-13-75-13", {{x, 0}, {x, 11}});
    for (double x : {40.6, 46.6, 52.6, 58.6}) c.door("door-timber", {x, 11}, 0.9, true);
    // maker space, with a store of its own
    c.wall("block-hollow", {{38, 35}, {38, 17}, {60, 17}});
    c.door("door-timber", {38, 21}, 1.8);
    c.door("door-timber", {57, 17}, 1.2);
    c.wall("metal-cabinets", {{52, 20}, {52, 27}}, 0, 2.1);
    // meeting room
    c.wall("plasterboard-double", {{16, 23}, {24, 23}});
    c.door("door-timber", {22.8, 23}, 0.9);
    // open office
    c.wall("screen", {{18, 4.5}, {34, 4.5}}, 0, 1.5);
    // balustrade round the void
    c.wall("screen", {{19, 9}, {32, 9}, {32, 17}, {19, 17}, {19, 9}}, 0, 1.1);
}

void solids(Composer& c) {
    c.obstacle("machinery", ObstacleKind::machinery, "Laser cutter", Composer::box(40, 30.5, 42.2, 32), 1.2);
    c.obstacle("machinery", ObstacleKind::machinery, "Mill", Composer::box(44.5, 30.2, 46.6, 32.4), 1.7);
    c.obstacle("machinery", ObstacleKind::machinery, "Kilns", Composer::box(55.5, 31.5, 58.8, 33.8), 1.8);
    for (Point p : {Point{19, 8.6}, {32, 8.6}, {19, 17.4}, {32, 17.4}}) c.column(p, 0.45);
    c.ceiling("Offices", "ceiling-mineral", Composer::box(36, 0, 60, 11), 2.8);
    c.ceiling("Meeting room", "ceiling-timber", Composer::box(16, 23, 24, 35), 3.0);
}

void zones(Composer& c) {
    c.zone("Offices", Composer::box(36, 0, 60, 11));
    c.zone("Open office", Composer::box(16, 0, 36, 9));
    c.zone("Maker space", Composer::box(38, 17, 60, 35));
    c.zone("Meeting room", Composer::box(16, 23, 24, 35));
    c.zone("Terrace", Composer::box(0.4, 0.4, 15.8, 34.6));
    c.zone("Core", Composer::box(24, 20, 35, 29), ZoneKind::not_needed);
}

void gear(Composer& c) {
    c.access_point("ceiling-tri", {46.5, 26.5}, 3.4, {{1, 20, 9}, {60, 40, 15}, {85, 80, 18}});
    c.access_point("ceiling-tri", {45.0, 8}, 2.75, {{11, 20, 8}, {36, 40, 14}, {5, 80, 17}});
    c.access_point("ceiling-tri", {55.5, 7}, 2.75, {{6, 20, 8}, {132, 40, 14}, {53, 80, 17}});
    c.access_point("ceiling-tri", {24.5, 5.8}, 3.2, {{6, 20, 8}, {108, 40, 14}, {37, 80, 17}});
    c.access_point("ceiling-tri", {20, 28}, 2.95, {{11, 20, 8}, {44, 40, 14}, {69, 80, 17}});
    c.access_point("outdoor-sector", {15.7, 14}, 2.9, {{1, 20, 11}, {100, 40, 15}}, 270, 6);
}

}  // namespace

void compose_second(Composer c) {
    outer_walls(c);
    c.hole("Void over foyer", Composer::box(19, 9, 32, 17));
    compose_core(c);
    rooms(c);
    solids(c);
    zones(c);
    gear(c);
}

}  // namespace yemvo::demo
