// SPDX-License-Identifier: GPL-3.0-or-later
// A building's axes: lettered ones and numbered ones square to them, by which drawings and people on site
// call places: "C4".
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "base/length_text.h"
#include "geometry/point.h"

namespace yemvo {

struct AxisGrid {
    Point origin;                   ///< where A crosses 1, in the building's metres
    double turn_deg = 0;            ///< of the way in which letters go on: counter-clockwise from east
    std::vector<double> letters_m;  ///< from each lettered axis to the next
    std::vector<double> numbers_m;  ///< from each numbered axis to the next, to the left of that way
    bool empty() const { return letters_m.empty() || numbers_m.empty(); }
    friend bool operator==(const AxisGrid&, const AxisGrid&) = default;
};

/// "A" to "Z", "AA" and so on, without I and O, which are taken for figures.
std::string axis_letter(std::size_t index);

/// A place by the crossing that is nearest: so far from it as letters, and as numbers go on.
struct AxisPlace {
    std::size_t letter = 0, number = 0;
    double letters_m = 0, numbers_m = 0;
};
/// The grid must not be empty.
AxisPlace axis_place(const AxisGrid&, Point);
Point place_of(const AxisGrid&, const AxisPlace&);

/// "C4", "C4 +1.20 -0.35": metres past the crossing, left out where both are below 5 mm.
std::string axis_text(const AxisPlace&);
/// The place of such a text; "C/4" and "c 4" too. None where it is not one, or names no axis of the grid.
std::optional<Point> find_axis_place(const AxisGrid&, std::string_view);

/// "6 x 7.20; 5.00"
std::string spacings_text(const std::vector<double>& spacings_m, LengthUnits);
/// Metres of such a list. Nothing for an empty text. Throws Error that says what is no length of it.
std::vector<double> read_spacings(std::string_view, LengthUnits);

}  // namespace yemvo
