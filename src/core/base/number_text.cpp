#include "base/number_text.h"

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

}  // namespace yemvo
