// SPDX-License-Identifier: GPL-3.0-or-later
// What the architect's sheets show besides walls: furniture, stairs, room names.
#pragma once
#include <string>
#include <vector>

#include "geometry/polygon.h"

namespace yemvo::demo {

struct Furniture {
    std::vector<std::vector<Point>> outlines;  ///< closed
    std::vector<std::vector<Point>> lines;     ///< open
    struct Circle {
        Point centre;
        double radius_m;
    };
    std::vector<Circle> circles;
    struct Label {
        Point at;
        std::string name;
        double area_m2;
    };
    std::vector<Label> labels;
};

Furniture ground_furniture();
Furniture first_furniture();
Furniture second_furniture();
Furniture basement_furniture();

}  // namespace yemvo::demo
