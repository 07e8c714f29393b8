// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <string>

#include "project/project.h"

namespace yemvo {

/// The floor's name, without its building where no other floor is called so.
std::string short_title(const Project&, const Floor&);

/// A place by the axes of the floor's building: "C4 +1.20 -0.35"; empty where it has none.
std::string axes_text(const Project&, const Floor&, Point);

}  // namespace yemvo
