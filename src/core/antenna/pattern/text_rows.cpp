// SPDX-License-Identifier: GPL-3.0-or-later
#include "antenna/pattern/text_rows.h"

#include <algorithm>
#include <cctype>
#include <limits>
#include <optional>

#include "base/number_text.h"

namespace yemvo::pattern_text {
namespace {

bool is_blank(char c) { return c == ' ' || c == '\t' || c == '\f' || c == '\v'; }
bool is_digit(char c) { return c >= '0' && c <= '9'; }

std::optional<double> number_of(std::string_view part, bool decimal_comma) {
    std::string text(trimmed(part));
    if (decimal_comma) std::replace(text.begin(), text.end(), ',', '.');
    if (text.starts_with("\xe2\x88\x92")) text.replace(0, 3, "-");  // a true minus
    if (text.starts_with('+')) text.erase(0, 1);
    const std::string word = upper(text);
    if (word == "NAN" || word == "-NAN") return std::numeric_limits<double>::quiet_NaN();
    if (word == "INF" || word == "-INF") return std::numeric_limits<double>::infinity();
    return read_number(text);
}

/// "5150-5925 MHz" means its middle.
double range_middle(std::string_view words, std::size_t at, double high) {
    std::string_view before = trimmed(words.substr(0, at));
    bool is_range = false;
    for (std::string_view dash : {"-", "\u2013", "TO"})
        if (!is_range && before.ends_with(dash)) {
            before = trimmed(before.substr(0, before.size() - dash.size()));
            is_range = true;
        }
    if (!is_range || before.empty() || !is_digit(before.back())) return high;
    std::size_t begin = before.size();
    while (begin > 0 && (is_digit(before[begin - 1]) || before[begin - 1] == '.')) --begin;
    const auto low = read_number(std::string(before.substr(begin)));
    return low && *low < high ? (*low + high) / 2 : high;
}

}  // namespace

std::string_view trimmed(std::string_view s) {
    while (!s.empty() && is_blank(s.front())) s.remove_prefix(1);
    while (!s.empty() && is_blank(s.back())) s.remove_suffix(1);
    return s;
}

std::string upper(std::string_view s) {
    std::string out(s);
    for (char& c : out)
        if (c >= 'a' && c <= 'z') c = static_cast<char>(c - 'a' + 'A');
    return out;
}

std::vector<Row> rows_of(std::string_view text) {
    if (text.starts_with("\xef\xbb\xbf")) text.remove_prefix(3);
    std::vector<Row> rows;
    for (std::size_t line = 1; !text.empty(); ++line) {
        const std::size_t end = text.find_first_of("\r\n");
        rows.push_back({line, trimmed(text.substr(0, end))});
        if (end == std::string_view::npos) break;
        text.remove_prefix(end + (text.substr(end).starts_with("\r\n") ? 2 : 1));
    }
    return rows;
}

bool begins_with_number(std::string_view s) {
    if (s.starts_with("\xe2\x88\x92"))
        s.remove_prefix(3);
    else if (s.starts_with('-') || s.starts_with('+'))
        s.remove_prefix(1);
    if (s.starts_with('.') || s.starts_with(',')) s.remove_prefix(1);
    return !s.empty() && is_digit(s.front());
}

std::vector<std::string_view> parts_of(std::string_view row) {
    const bool by_marks = row.find_first_of(";\t") != std::string_view::npos;
    const bool by_commas = !by_marks && row.find(',') != std::string_view::npos;
    const auto parts_at = [&](char c) {
        return by_marks ? c == ';' || c == '\t' : by_commas ? c == ',' : is_blank(c);
    };
    std::vector<std::string_view> parts;
    std::size_t begin = 0;
    for (std::size_t i = 0; i <= row.size(); ++i) {
        if (i < row.size() && !parts_at(row[i])) continue;
        const std::string_view part = trimmed(row.substr(begin, i - begin));
        // blanks in a row part once
        if (by_marks || by_commas || !part.empty()) parts.push_back(part);
        begin = i + 1;
    }
    while (!parts.empty() && parts.back().empty()) parts.pop_back();
    return parts;
}

std::vector<double> numbers_of(std::string_view row) {
    const auto parts = parts_of(row);
    const bool decimal_comma = row.find_first_of(";\t") != std::string_view::npos;
    std::vector<double> numbers;
    for (const std::string_view part : parts) {
        const auto number = number_of(part, decimal_comma);
        if (!number) return {};
        numbers.push_back(*number);
    }
    return numbers;
}

bool number_before(std::string_view text, std::string_view unit, double& value) {
    const std::string in_capitals = upper(text), wanted = upper(unit);
    const std::string_view words = in_capitals;  // a part of it is no copy
    for (std::size_t i = 0; i < words.size(); ++i) {
        if (!begins_with_number(words.substr(i)) ||
            (i > 0 && (is_digit(words[i - 1]) || words[i - 1] == '.')))
            continue;
        if (words[i] == '-')  // of a range, and no sign
            if (const auto before = trimmed(words.substr(0, i)); !before.empty() && is_digit(before.back()))
                continue;
        std::size_t end = i + (is_digit(words[i]) || words[i] == '.' ? 0 : 1);
        while (end < words.size() && (is_digit(words[end]) || words[end] == '.')) ++end;
        const auto number = read_number(std::string(words.substr(i, end - i)));
        if (number && trimmed(words.substr(end)).starts_with(wanted)) {
            value = range_middle(words, i, *number);
            return true;
        }
        i = end - 1;
    }
    return false;
}

bool number_after(std::string_view text, std::string_view word, double& value) {
    constexpr std::size_t most_between = 24;
    const std::string words = upper(text), wanted = upper(word);
    for (std::size_t at = words.find(wanted); at != std::string::npos; at = words.find(wanted, at + 1)) {
        std::size_t from = at + wanted.size();
        const std::size_t last = std::min(from + most_between, words.size());
        while (from < last && words[from] != '\n' && !is_digit(words[from]) && words[from] != '-') ++from;
        if (from >= last || words[from] == '\n') continue;
        std::size_t end = from + (words[from] == '-' ? 1 : 0);
        while (end < words.size() && (is_digit(words[end]) || words[end] == '.')) ++end;
        const auto number = read_number(words.substr(from, end - from));
        std::string_view unit = std::string_view(words).substr(end);
        unit = trimmed(unit.substr(0, unit.find('\n')));
        if (!number || !(unit.empty() || unit.starts_with("DB") || unit.starts_with(","))) continue;
        value = *number;
        return true;
    }
    return false;
}

}  // namespace yemvo::pattern_text
