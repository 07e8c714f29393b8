// SPDX-License-Identifier: GPL-3.0-or-later
// Ground floor: foyer under the atrium, café, auditorium, children's area, staff.
#include "demo/composer.h"

namespace yemvo::demo {
namespace {

void outer_walls(Composer& c) {
    c.wall("brick-cavity", {{0, 14}, {0, 35}, {60, 35}, {60, 0}, {16, 0}});
    c.wall("glass-curtain", {{16, 0}, {0, 0}, {0, 14}});
    c.windows("window-coated", {0, 17}, {0, 4.5}, 3, 2.4);
    c.window("window-coated", {0, 31.5}, 2.4);
    c.windows("window-coated", {8.5, 35}, {3, 0}, 3, 2.2);
    c.windows("window-coated", {22, 35}, {6, 0}, 3, 2.4);
    c.windows("window-coated", {47, 0}, {3.5, 0}, 4, 2.0);
    c.windows("window-coated", {60, 2.5}, {0, 5}, 2, 2.0);
    c.door("door-glass", {22, 0}, 1.8, false, true, 2.4);
    c.door("door-glass", {27, 0}, 1.8, true, true, 2.4);
    c.door("door-steel", {60, 14.6}, 1.0);
    c.door("door-steel", {3, 35}, 1.0);
}

void rooms(Composer& c) {
    // auditorium
    c.wall("block-dense", {{43, 35}, {43, 17}, {60, 17}});
    c.door("door-timber", {43, 20}, 1.8);
    c.door("door-timber", {43, 30.5}, 1.2, true);
    c.door("door-timber", {57.6, 17}, 1.2, false, true);
    // café and its kitchen
    c.wall("glass-partition", {{16, 35}, {16, 20}, {0, 20}});
    c.door("door-glass", {16, 24}, 1.6, false, true, 2.3);
    c.door("door-glass", {12.5, 20}, 1.6, false, true, 2.3);
    c.wall("block-hollow", {{0, 29.5}, {6.5, 29.5}, {6.5, 35}});
    c.door("door-timber", {5, 29.5}, 0.9, false, true);
    // children
    c.wall("plasterboard-double", {{16, 0}, {16, 14}, {0, 14}});
    c.door("door-glass", {16, 9.6}, 1.6, true, false, 2.3);
    c.window("window-single", {16, 4.4}, 5, 0.9, 2.4);
    c.obstacle("stack-books", ObstacleKind::shelving, "Picture books", Composer::box(3.85, 5, 4.15, 11), 1.5);
    c.obstacle("stack-books", ObstacleKind::shelving, "Stories", Composer::box(11.85, 4, 12.15, 7), 1.5);
    // staff, post and equipment
    c.wall("plasterboard", {{43, 0}, {43, 11}, {60, 11}});
    c.wall("plasterboard", {{52, 0}, {52, 11}});
    c.wall("block-dense", {{43, 11}, {43, 17}});
    c.wall("plasterboard", {{47, 11}, {47, 17}});
    c.door("door-timber", {43, 5.5}, 0.9);
    c.door("door-timber", {50.4, 11}, 0.9);
    c.door("door-timber", {53.8, 11}, 0.9, true);
    c.door("door-timber", {43, 13}, 0.9, false, true);
    c.door("door-timber", {47, 14.5}, 0.9, true);
}

void solids(Composer& c) {
    for (Point p : {Point{19, 9}, {19, 17}, {25.5, 9}, {25.5, 17}, {32, 9}, {32, 17}}) c.column(p, 0.45);
    c.obstacle("machinery", ObstacleKind::machinery, "Ovens", Composer::box(0.8, 30.6, 2.0, 34), 1.9);
    c.ceiling("Staff ceiling", "ceiling-mineral", Composer::box(43, 0, 60, 11), 3.0);
    c.ceiling("Lounge ceiling", "ceiling-timber", Composer::box(24, 29, 35, 35), 3.2);
    c.note("Riser with the fibre entry behind this door", {44.6, 13});
}

void zones(Composer& c) {
    c.zone("Foyer", {{16, 0},
                     {43, 0},
                     {43, 35},
                     {35, 35},
                     {35, 20},
                     {24, 20},
                     {24, 35},
                     {16, 35},
                     {16, 20},
                     {0, 20},
                     {0, 14},
                     {16, 14}});
    c.zone("Lounge", Composer::box(24, 29, 35, 35));
    c.zone("Café", {{0, 20}, {16, 20}, {16, 35}, {6.5, 35}, {6.5, 29.5}, {0, 29.5}});
    c.zone("Children", Composer::box(0, 0, 16, 14));
    c.zone("Auditorium", Composer::box(43, 17, 60, 35));
    c.zone("Staff", Composer::box(43, 0, 60, 11));
    c.zone("Core", Composer::box(24, 20, 35, 29), ZoneKind::not_needed);
    c.zone("Kitchen", Composer::box(0, 29.5, 6.5, 35), ZoneKind::not_needed);
}

void gear(Composer& c) {
    c.access_point("ceiling-tri", {9.5, 25.5}, 3.2, {{1, 20, 8}, {36, 40, 14}, {5, 80, 17}});
    c.access_point("ceiling-tri", {8, 7.5}, 3.2, {{6, 20, 8}, {52, 40, 14}, {37, 80, 17}});
    c.access_point("density-switch", {20, 17.5}, 4.2, {{11, 20, 9}, {100, 40, 15}, {69, 80, 16}});
    c.access_point("ceiling-tri", {36, 7}, 4.2, {{1, 20, 9}, {108, 40, 15}, {21, 80, 18}});
    c.access_point("ceiling-entry", {39, 27}, 3.4, {{6, 20, 8}, {60, 40, 14}});
    c.access_point("ceiling-tri", {51.5, 30}, 4.0, {{1, 20, 5}, {44, 40, 12}, {53, 80, 16}});
    c.access_point("ceiling-tri", {51.5, 21.5}, 4.0, {{11, 20, 5}, {132, 40, 12}, {85, 80, 16}});
    c.access_point("wall-unit", {59.6, 5.5}, 2.4, {{6, 20, 9}, {36, 40, 14}, {5, 80, 17}}, 270);
}

}  // namespace

void compose_ground(Composer c) {
    outer_walls(c);
    compose_core(c);
    rooms(c);
    solids(c);
    zones(c);
    gear(c);
}

}  // namespace yemvo::demo
