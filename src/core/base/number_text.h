// Numbers as people read them.
#pragma once
#include <string>

namespace yemvo {

/// `value` with `decimals` places, a true minus (U+2212), and never "−0".
std::string format_number(double value, int decimals);

/// A share as "92.1 %", rounded down, so that 94.96 % does not read as a met 95 %.
std::string format_percent(double share, int decimals);

}  // namespace yemvo
