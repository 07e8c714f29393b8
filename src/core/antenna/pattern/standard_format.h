// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "antenna/pattern/samples.h"

namespace yemvo::pattern_text {

/// Any of the keywords that no other file has.
bool is_standard_format(std::string_view text);
PatternFile read_standard_format(std::string_view text, const std::string& name, const PatternWishes&);

}  // namespace yemvo::pattern_text
