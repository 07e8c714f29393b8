// SPDX-License-Identifier: GPL-3.0-or-later
#include "venue/axis_grid.h"

#include <algorithm>
#include <cctype>
#include <cmath>
#include <sstream>

#include "base/error.h"
#include "base/number_text.h"
#include "geometry/similarity.h"

namespace yemvo {
namespace {

constexpr std::string_view letters = "ABCDEFGHJKLMNPQRSTUVWXYZ";

/// From the grid's own metres, letters along x, to the building's.
Similarity to_building(const AxisGrid& grid) { return {1, grid.turn_deg, grid.origin}; }

/// Of each axis, from the first.
std::vector<double> places(const std::vector<double>& spacings_m) {
    std::vector<double> at{0};
    for (const double s : spacings_m) at.push_back(at.back() + s);
    return at;
}

std::size_t nearest(const std::vector<double>& at, double v) {
    return static_cast<std::size_t>(
        std::ranges::min_element(at, {}, [v](double a) { return std::abs(a - v); }) - at.begin());
}

std::optional<std::size_t> find_letter(std::string_view text) {
    std::size_t index = 0;
    for (const char c : text) {
        const std::size_t at = letters.find(static_cast<char>(std::toupper(static_cast<unsigned char>(c))));
        if (at == std::string_view::npos) return {};
        index = index * letters.size() + at + 1;
    }
    if (text.empty() || text.size() > 2) return {};
    return index - 1;
}

std::string signed_text(double v) {
    return std::string(1, v < 0 ? '-' : '+').append(plain_number(std::abs(v), 2));
}

/// As far as characters are of a kind.
template <class IsOf>
std::string_view taken(std::string_view& text, IsOf is_of) {
    std::size_t n = 0;
    while (n < text.size() && is_of(static_cast<unsigned char>(text[n]))) ++n;
    const std::string_view out = text.substr(0, n);
    text.remove_prefix(n);
    return out;
}

std::string trimmed(const std::string& text) {
    const auto first = text.find_first_not_of(" \t");
    if (first == std::string::npos) return {};
    return text.substr(first, text.find_last_not_of(" \t") - first + 1);
}

/// How often: what stands before the x of "6 x 7.2".
std::size_t read_times(const std::string& text) {
    constexpr double most = 500;
    const auto told = read_number(trimmed(text));
    if (!told || *told < 1 || *told > most || *told != std::floor(*told))
        throw Error(say("'%1' is no count of axes", text), {}, say("Write distances like 6 x 7.2; 5"));
    return static_cast<std::size_t>(*told);
}

}  // namespace

std::string axis_letter(std::size_t index) {
    std::string text;
    for (std::size_t n = index + 1; n > 0; n = (n - 1) / letters.size())
        text.insert(text.begin(), letters[(n - 1) % letters.size()]);
    return text;
}

AxisPlace axis_place(const AxisGrid& grid, Point place) {
    const Point own = to_building(grid).invert(place);
    const auto across = places(grid.letters_m), along = places(grid.numbers_m);
    AxisPlace out{nearest(across, own.x), nearest(along, own.y)};
    out.letters_m = own.x - across[out.letter];
    out.numbers_m = own.y - along[out.number];
    return out;
}

Point place_of(const AxisGrid& grid, const AxisPlace& at) {
    return to_building(grid).apply(
        {places(grid.letters_m)[at.letter] + at.letters_m, places(grid.numbers_m)[at.number] + at.numbers_m});
}

std::string axis_text(const AxisPlace& at) {
    std::string text = axis_letter(at.letter) + std::to_string(at.number + 1);
    if (std::abs(at.letters_m) >= 0.005 || std::abs(at.numbers_m) >= 0.005)
        for (const double past_m : {at.letters_m, at.numbers_m}) text.append(" ").append(signed_text(past_m));
    return text;
}

std::optional<Point> find_axis_place(const AxisGrid& grid, std::string_view text) {
    const auto is_space = [](unsigned char c) { return std::isspace(c) != 0; };
    const auto is_figure = [](unsigned char c) { return std::isdigit(c) != 0 || c == '.'; };
    taken(text, is_space);
    AxisPlace at;
    const auto letter = find_letter(taken(text, [](unsigned char c) { return std::isalpha(c) != 0; }));
    taken(text, [](unsigned char c) { return std::isspace(c) != 0 || c == '/'; });
    const auto number = read_number(taken(text, [](unsigned char c) { return std::isdigit(c) != 0; }));
    if (!letter || !number || grid.empty() || *letter > grid.letters_m.size() || *number < 1 ||
        *number > static_cast<double>(grid.numbers_m.size() + 1))
        return {};
    at.letter = *letter;
    at.number = static_cast<std::size_t>(*number) - 1;
    taken(text, is_space);
    if (text.empty()) return place_of(grid, at);
    for (double* past_m : {&at.letters_m, &at.numbers_m}) {
        taken(text, is_space);
        const auto sign = taken(text, [](unsigned char c) { return c == '+' || c == '-'; });
        const auto metres = read_number(taken(text, is_figure));
        if (sign.size() != 1 || !metres) return {};
        *past_m = sign == "-" ? -*metres : *metres;
    }
    taken(text, is_space);
    return text.empty() ? std::optional(place_of(grid, at)) : std::nullopt;
}

std::string spacings_text(const std::vector<double>& spacings_m, LengthUnits units) {
    std::string text;
    for (std::size_t i = 0; i < spacings_m.size();) {
        std::size_t k = i;
        while (k < spacings_m.size() && spacings_m[k] == spacings_m[i]) ++k;
        if (!text.empty()) text.append("; ");
        if (k - i > 1) text.append(std::to_string(k - i)).append(" x ");
        text.append(format_length(spacings_m[i], units, false));
        i = k;
    }
    return text;
}

std::vector<double> read_spacings(std::string_view text, LengthUnits units) {
    std::vector<double> all;
    std::istringstream parts{std::string(text)};
    for (std::string part; std::getline(parts, part, ';');) {
        if (trimmed(part).empty()) continue;
        const auto by = part.find_first_of("x*");
        const std::size_t times = by == std::string::npos ? 1 : read_times(part.substr(0, by));
        all.insert(all.end(), times,
                   parse_length_m(trimmed(by == std::string::npos ? part : part.substr(by + 1)), units));
    }
    return all;
}

}  // namespace yemvo
