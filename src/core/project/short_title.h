// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <string>

#include "project/project.h"

namespace yemvo {

/// The floor's name, without its building where no other floor is called so.
std::string short_title(const Project&, const Floor&);

}  // namespace yemvo
