// SPDX-License-Identifier: GPL-3.0-or-later
// What files of a library have in common, whatever they hold: types, gear, clients.
#pragma once
#include <string>

#include "project/json_reader.h"

namespace yemvo {

/// That it is of that format and of its one version. `name`: of the file, for messages. Throws Error.
void check_library_file(const Reader&, const char* format, const std::string& name);

}  // namespace yemvo
