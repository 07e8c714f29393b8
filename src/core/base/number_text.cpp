// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/number_text.h"

#include <array>
#include <charconv>
#include <cmath>

namespace yemvo {

std::string plain_number(double value, int decimals) {
    std::array<char, 400> digits;
    const auto [end, fault] = std::to_chars(digits.data(), digits.data() + digits.size(), value,
                                            std::chars_format::fixed, decimals);
    return {digits.data(), fault == std::errc{} ? end : digits.data()};
}

std::optional<double> read_number(std::string_view text) {
    double value = 0;
    const auto [end, fault] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (fault != std::errc{} || end != text.data() + text.size() || !std::isfinite(value))
        return std::nullopt;
    return value;
}

std::string format_number(double value, int decimals) {
    const std::string digits = plain_number(value, decimals);
    if (digits.empty() || digits[0] != '-') return digits;
    const bool zero = digits.find_first_of("123456789") == std::string::npos;
    return zero ? digits.substr(1) : "\u2212" + digits.substr(1);
}

std::string format_percent(double share, int decimals) {
    const double scale = std::pow(10.0, decimals);
    return format_number(std::floor(share * 100 * scale + 1e-6) / scale, decimals) + " %";
}

}  // namespace yemvo
