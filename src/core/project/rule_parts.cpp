// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/rule_parts.h"

#include "base/utf8.h"

namespace yemvo::rule {

[[noreturn]] void broken(std::string field, Said words, Said what) {
    throw RuleBroken{std::move(field), std::move(words), std::move(what)};
}

void number(const char* field, const char* words, double value, const Range& range) {
    if (!range.holds(value)) throw RuleBroken{field, said_mark(words), {}, range};
}

void text(const char* field, const char* words, const std::string& value, TextLimit limit) {
    const auto length = text_length(value);
    if (!length) broken(field, said_mark(words), say("is not valid UTF-8 text"));
    if (*length > limit.most)
        broken(field, said_mark(words), say("has %1 characters, more than %2", *length, limit.most));
}

std::string indexed(const char* field, std::size_t i) {
    return std::string(field) + "[" + std::to_string(i) + "]";
}

/// Of a place that is beyond the range.
[[noreturn]] static void broken_place(const std::string& field, Said words, Point p, const Range& range) {
    throw RuleBroken{field + (range.holds(p.x) ? "[1]" : "[0]"), std::move(words), {}, range};
}

void place(const std::string& field, const char* words, Point p, const Range& range) {
    if (!range.holds(p.x) || !range.holds(p.y)) broken_place(field, said_mark(words), p, range);
}

void corners(const char* field, const std::vector<Point>& points, std::size_t least, const Range& range,
             bool may_be_none) {
    if (points.size() < least && !(may_be_none && points.empty()))
        broken(field, say("outline"),
               field == std::string("points") ? say("needs at least %1 points", least)
                                              : say("needs at least %1 corners", least));
    if (points.size() > limits::points)
        broken(field, say("outline"), say("has more than %1 corners", limits::points));
    for (std::size_t i = 0; i < points.size(); ++i)
        if (!range.holds(points[i].x) || !range.holds(points[i].y))
            broken_place(indexed(field, i), say("corner %1", i + 1), points[i], range);
}

void top(const std::optional<double>& top_m) {
    if (top_m) number("top_m", mark("top height"), *top_m, limits::above_floor_m);
}

}  // namespace yemvo::rule
