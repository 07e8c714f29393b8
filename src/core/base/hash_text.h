// SPDX-License-Identifier: GPL-3.0-or-later
// Names on disk that come from content.
#pragma once
#include <cstdint>
#include <cstdio>
#include <string>
#include <string_view>

namespace yemvo {

/// 32 hexadecimal digits: twice FNV-1a of 64 bits, with different starts. Two of a few thousand texts never
/// share one by chance; it is no defence against who wants them to.
inline std::string hash_text(std::string_view bytes) {
    std::uint64_t a = 14695981039346656037ull, b = 0x9E3779B97F4A7C15ull;
    for (const char c : bytes) {
        a = (a ^ static_cast<unsigned char>(c)) * 1099511628211ull;
        b = (b ^ static_cast<unsigned char>(c)) * 1099511628211ull;
        b ^= b >> 29;
    }
    char text[40];
    std::snprintf(text, sizeof text, "%016llx%016llx", static_cast<unsigned long long>(a),
                  static_cast<unsigned long long>(b));
    return text;
}

}  // namespace yemvo
