// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/rule_parts.h"

#include "base/utf8.h"

namespace yemvo::rule {

[[noreturn]] void broken(std::string field, std::string words, std::string what) {
    throw RuleBroken{std::move(field), std::move(words), std::move(what)};
}

void number(const char* field, const char* words, double value, const Range& range) {
    if (!range.holds(value)) throw RuleBroken{field, words, {}, range};
}

void text(const char* field, const char* words, const std::string& value, TextLimit limit) {
    const auto length = text_length(value);
    if (!length) broken(field, words, "is not valid UTF-8 text");
    if (*length > limit.most)
        broken(field, words,
               "has " + std::to_string(*length) + " characters, more than " + std::to_string(limit.most));
}

std::string indexed(const char* field, std::size_t i) {
    return std::string(field) + "[" + std::to_string(i) + "]";
}

void place(const std::string& field, const std::string& words, Point p, const Range& range) {
    if (!range.holds(p.x)) throw RuleBroken{field + "[0]", words, {}, range};
    if (!range.holds(p.y)) throw RuleBroken{field + "[1]", words, {}, range};
}

void corners(const char* field, const std::vector<Point>& points, std::size_t least, const Range& range,
             bool may_be_none) {
    if (points.size() < least && !(may_be_none && points.empty()))
        broken(field, "outline",
               "needs at least " + std::to_string(least) +
                   (field == std::string("points") ? " points" : " corners"));
    if (points.size() > limits::points)
        broken(field, "outline", "has more than " + std::to_string(limits::points) + " corners");
    for (std::size_t i = 0; i < points.size(); ++i)
        if (!range.holds(points[i].x) || !range.holds(points[i].y))
            place(indexed(field, i), "corner " + std::to_string(i + 1), points[i], range);
}

void top(const std::optional<double>& top_m) {
    if (top_m) number("top_m", "top height", *top_m, limits::above_floor_m);
}

}  // namespace yemvo::rule
