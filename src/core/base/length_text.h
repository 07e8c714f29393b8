// SPDX-License-Identifier: GPL-3.0-or-later
// Lengths as people type and read them.
#pragma once
#include <string>
#include <string_view>

namespace yemvo {

enum class LengthUnits { metres, feet_inches };

/// Length [m] of a text such as "3.8 m", "3800mm", "380 cm", "12'6\"", "12' 6 1/2\"", "12.5 ft", "9 in".
/// A bare number is in metres or in feet, after `units`. A decimal comma is accepted.
/// Throws Error that quotes the text when it is not a length, or not finite, or beyond 1e6 m.
double parse_length_m(std::string_view text, LengthUnits units = LengthUnits::metres);

/// "3.80 m" or `12' 5⅝"` (nearest eighth of an inch). `with_unit` false leaves " m" out.
std::string format_length(double length_m, LengthUnits units, bool with_unit = true, int decimals = 2);

/// "205.3 m²" or "2210 sq ft".
std::string format_area(double area_m2, LengthUnits units, int decimals = 0);

/// A storey's level as it stands beside a section: "+4.80", "±0.00", "−3.60", or to the inch `+15' 9"`.
std::string format_level(double level_m, LengthUnits units);

}  // namespace yemvo
