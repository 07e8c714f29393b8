// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/utf8.h"

namespace yemvo {
namespace {

/// Bytes of the sequence that starts here; 0 where none does.
std::size_t sequence(std::string_view text) {
    const auto byte = [&](std::size_t i) { return static_cast<unsigned char>(text[i]); };
    const unsigned char first = byte(0);
    if (first < 0x80) return 1;
    const std::size_t length = first >= 0xF0 ? 4 : first >= 0xE0 ? 3 : 2;
    if (first < 0xC2 || first > 0xF4 || text.size() < length) return 0;
    for (std::size_t i = 1; i < length; ++i)
        if ((byte(i) & 0xC0) != 0x80) return 0;
    const unsigned char second = byte(1);
    const bool overlong = (first == 0xE0 && second < 0xA0) || (first == 0xF0 && second < 0x90);
    const bool surrogate = first == 0xED && second > 0x9F, beyond = first == 0xF4 && second > 0x8F;
    return overlong || surrogate || beyond ? 0 : length;
}

}  // namespace

std::optional<std::size_t> text_length(std::string_view text) {
    std::size_t count = 0;
    while (!text.empty()) {
        const std::size_t n = sequence(text);
        if (n == 0) return std::nullopt;
        text.remove_prefix(n);
        ++count;
    }
    return count;
}

std::string as_utf8(std::string_view text) {
    std::string out;
    while (!text.empty()) {
        const std::size_t n = sequence(text);
        out += n ? text.substr(0, n) : std::string_view("\uFFFD");
        text.remove_prefix(n ? n : 1);
    }
    return out;
}

std::string shortened(std::string_view text, std::size_t most) {
    std::size_t at = 0, count = 0;
    while (at < text.size()) {
        if (count == most) return std::string(text.substr(0, at)) + "…";
        const std::size_t n = sequence(text.substr(at));
        at += n ? n : 1;
        ++count;
    }
    return std::string(text);
}

}  // namespace yemvo
