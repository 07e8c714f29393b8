#include "base/number_text.h"

#include <cmath>
#include <cstdio>
#include <cstring>

namespace yemvo {

std::string format_number(double value, int decimals) {
    char digits[64];
    std::snprintf(digits, sizeof digits, "%.*f", decimals, value);
    if (digits[0] != '-') return digits;
    const bool zero = std::strpbrk(digits, "123456789") == nullptr;
    return zero ? std::string(digits + 1) : "\u2212" + std::string(digits + 1);
}

std::string format_percent(double share, int decimals) {
    const double scale = std::pow(10.0, decimals);
    return format_number(std::floor(share * 100 * scale + 1e-6) / scale, decimals) + " %";
}

}  // namespace yemvo
