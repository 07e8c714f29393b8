// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <string>

#include "base/error.h"

namespace yemvo::cli {

/// The whole of a file. Throws Error; `if_folder` says what to name instead.
std::string read_input(const std::string& file, const Said& if_folder);

}  // namespace yemvo::cli
