// SPDX-License-Identifier: GPL-3.0-or-later
// Numbers as text, whatever the desktop's language: written and read here alone.
#pragma once
#include <optional>
#include <string>
#include <string_view>

namespace yemvo {

/// `value` with `decimals` places and a decimal point, for files and what programs read; "nan", "inf" for
/// those.
std::string plain_number(double value, int decimals);
/// The whole of the text as a finite number with a decimal point; none when it is not one.
std::optional<double> read_number(std::string_view text);

/// `value` with `decimals` places, a true minus (U+2212), and never "−0".
std::string format_number(double value, int decimals);

/// A share as "92.1 %", rounded down, so that 94.96 % does not read as a met 95 %.
std::string format_percent(double share, int decimals);

}  // namespace yemvo
