// SPDX-License-Identifier: GPL-3.0-or-later
// The parts that rules are made of; each throws RuleBroken. `field` is as a file names it, `words` as a
// person does.
#pragma once
#include "project/rules.h"

namespace yemvo::rule {

[[noreturn]] void broken(std::string field, Said words, Said what);
void number(const char* field, const char* words, double value, const Range& range);
/// Valid UTF-8, and not longer than that.
void text(const char* field, const char* words, const std::string& value, TextLimit limit);
/// "points[3]"
std::string indexed(const char* field, std::size_t i);
void place(const std::string& field, const char* words, Point p, const Range& range);
void corners(const char* field, const std::vector<Point>& points, std::size_t least,
             const Range& range = limits::coordinate_m, bool may_be_none = false);
void top(const std::optional<double>& top_m);

}  // namespace yemvo::rule
