// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "antenna/pattern/samples.h"

namespace yemvo::pattern_text {

PatternFile read_any_table(std::string_view text, const std::string& name, const PatternWishes&);

}  // namespace yemvo::pattern_text
