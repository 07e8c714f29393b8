// Numbers as people read them.
#pragma once
#include <string>

namespace yemvo {

/// `value` with `decimals` places, a true minus (U+2212), and never "−0".
std::string format_number(double value, int decimals);

}  // namespace yemvo
