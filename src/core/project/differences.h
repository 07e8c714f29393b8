// SPDX-License-Identifier: GPL-3.0-or-later
// What differs between two states of a project, in words.
#pragma once
#include <string>
#include <vector>

#include "project/project.h"

namespace yemvo {

/// One line a floor and kind, as "First floor: walls: 2 added, 1 changed", from `before` to `after`. Empty
/// when both are the same.
std::vector<Said> differences(const Project& before, const Project& after);

}  // namespace yemvo
