// SPDX-License-Identifier: GPL-3.0-or-later
#include "gear/on_site.h"

#include <chrono>
#include <ctime>

#include "base/said.h"

namespace yemvo {
namespace {

/// The names of site_states, for who translates.
[[maybe_unused]] constexpr const char* translated[] = {mark("Planned"), mark("Hung"), mark("Checked")};

bool is_digit(char c) { return c >= '0' && c <= '9'; }

std::optional<char> hex_digit(char c) {
    if (is_digit(c) || (c >= 'a' && c <= 'f')) return c;
    if (c >= 'A' && c <= 'F') return static_cast<char>(c - 'A' + 'a');
    return {};
}

int number(std::string_view digits) {
    int n = 0;
    for (char c : digits) n = n * 10 + (c - '0');
    return n;
}

}  // namespace

std::optional<std::string> address_text(std::string_view text) {
    std::string digits;
    for (char c : text) {
        if (c == ':' || c == '-' || c == '.' || c == ' ') continue;
        const auto digit = hex_digit(c);
        if (!digit) return {};
        digits += *digit;
    }
    if (digits.size() != 12) return {};
    std::string out;
    for (std::size_t i = 0; i < digits.size(); ++i) {
        if (i > 0 && i % 2 == 0) out += ':';
        out += digits[i];
    }
    return out;
}

bool is_day(std::string_view text) {
    if (text.size() != 10 || text[4] != '-' || text[7] != '-') return false;
    for (std::size_t i = 0; i < text.size(); ++i)
        if (i != 4 && i != 7 && !is_digit(text[i])) return false;
    const std::chrono::year_month_day day{
        std::chrono::year(number(text.substr(0, 4))),
        std::chrono::month(static_cast<unsigned>(number(text.substr(5, 2)))),
        std::chrono::day(static_cast<unsigned>(number(text.substr(8, 2))))};
    return day.ok();
}

std::string today() {
    const std::time_t now = std::time(nullptr);
    std::tm local{};
    localtime_r(&now, &local);
    char text[32];
    return std::string(text, std::strftime(text, sizeof text, "%Y-%m-%d", &local));
}

void set_state(OnSite& on_site, SiteState state) {
    on_site.state = state;
    on_site.date = state == SiteState::planned ? std::string() : today();
}

}  // namespace yemvo
