// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/length_text.h"

#include <charconv>
#include <cmath>
#include <cstdio>
#include <optional>

#include "base/error.h"
#include "base/number_text.h"

namespace yemvo {
namespace {

constexpr double foot_m = 0.3048, inch_m = 0.0254;

std::string without_spaces(std::string_view text) {
    std::string out;
    for (char c : text)
        if (c != ' ' && c != '\t') out += c == ',' ? '.' : c;
    return out;
}

/// Takes a decimal number off the front.
std::optional<double> take_number(std::string_view& text) {
    double value = 0;
    const auto [end, fault] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (fault != std::errc{} || !std::isfinite(value)) return std::nullopt;
    text.remove_prefix(static_cast<std::size_t>(end - text.data()));
    return value;
}

bool take(std::string_view& text, std::string_view word) {
    if (!text.starts_with(word)) return false;
    text.remove_prefix(word.size());
    return true;
}

/// "6", "6.5", "6 1/2" (spaces kept by a '_'), "1/2"; inches.
std::optional<double> take_inches(std::string_view& text) {
    auto whole = take_number(text);
    if (!whole) return std::nullopt;
    if (take(text, "/")) {
        const auto divisor = take_number(text);
        if (!divisor || *divisor == 0) return std::nullopt;
        return *whole / *divisor;
    }
    if (take(text, "_")) {
        const auto top = take_number(text);
        if (!top || !take(text, "/")) return std::nullopt;
        const auto divisor = take_number(text);
        if (!divisor || *divisor == 0) return std::nullopt;
        return *whole + *top / *divisor;
    }
    return whole;
}

/// A space between two digits joins a whole number and its fraction: keep it as '_'.
std::string with_fraction_marks(std::string_view text) {
    std::string out;
    const auto digit = [](char c) { return c >= '0' && c <= '9'; };
    for (std::size_t i = 0; i < text.size(); ++i) {
        if (text[i] == ' ' && !out.empty() && digit(out.back()) && i + 1 < text.size() && digit(text[i + 1]))
            out += '_';
        else
            out += text[i];
    }
    return without_spaces(out);
}

std::optional<double> feet_and_inches_m(std::string_view rest) {
    double feet = 0;
    bool any = false;
    if (rest.find('\'') != std::string_view::npos || rest.find("ft") != std::string_view::npos) {
        const auto value = take_number(rest);
        if (!value || !(take(rest, "'") || take(rest, "ft"))) return std::nullopt;
        feet = *value;
        any = true;
    }
    double inches = 0;
    if (!rest.empty()) {
        const auto value = take_inches(rest);
        if (!value) return std::nullopt;
        inches = *value;
        const bool marked = take(rest, "\"") || take(rest, "in") || take(rest, "''");
        if (!marked && !any) return std::nullopt;
        any = true;
    }
    if (!any || !rest.empty()) return std::nullopt;
    return (std::signbit(feet) ? feet - inches / 12 : feet + inches / 12) * foot_m;
}

std::optional<double> metric_or_bare_m(std::string_view rest, LengthUnits units) {
    const auto value = take_number(rest);
    if (!value) return std::nullopt;
    if (rest == "m") return *value;
    if (rest == "mm") return *value / 1000;
    if (rest == "cm") return *value / 100;
    if (rest.empty()) return *value * (units == LengthUnits::metres ? 1.0 : foot_m);
    return std::nullopt;
}

}  // namespace

double parse_length_m(std::string_view text, LengthUnits units) {
    const std::string marked = with_fraction_marks(text);
    auto length_m = metric_or_bare_m(marked, units);
    if (!length_m) length_m = feet_and_inches_m(marked);
    if (!length_m)
        throw Error(say("'%1' is not a length", std::string(text.substr(0, 40))), {},
                    say("Type it as 3.8 m, 3800 mm, 12'6\" or 12.5 ft"));
    if (!(std::abs(*length_m) <= 1e6))
        throw Error(say("a length of over 1000 km"), {}, say("Check the unit"));
    return *length_m;
}

std::string format_length(double length_m, LengthUnits units, bool with_unit, int decimals) {
    if (units == LengthUnits::metres) return plain_number(length_m, decimals) + (with_unit ? " m" : "");
    char text[64];
    static constexpr const char* eighths[] = {"", "⅛", "¼", "⅜", "½", "⅝", "¾", "⅞"};
    const long long total = std::llround(std::abs(length_m) / inch_m * 8);
    const long long inches = total / 8;
    std::snprintf(text, sizeof text, "%s%lld' %lld%s\"", length_m < 0 && total ? "-" : "", inches / 12,
                  inches % 12, eighths[total % 8]);
    return text;
}

std::string format_area(double area_m2, LengthUnits units, int decimals) {
    if (units == LengthUnits::metres) return format_number(area_m2, decimals) + " m²";
    return format_number(area_m2 / (foot_m * foot_m), 0) + " sq ft";
}

std::string format_level(double level_m, LengthUnits units) {
    const std::string sign = level_m > 0.004 ? "+" : level_m < -0.004 ? "\u2212" : "±";
    if (units == LengthUnits::metres) return sign + format_number(std::abs(level_m), 2);
    const long long inches = std::llround(std::abs(level_m) / inch_m);
    return sign + std::to_string(inches / 12) + "' " + std::to_string(inches % 12) + "\"";
}

}  // namespace yemvo
