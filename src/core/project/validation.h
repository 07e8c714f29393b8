// SPDX-License-Identifier: GPL-3.0-or-later
// What must hold in every project value, checked when one comes from outside.
#pragma once
#include "project/project.h"

namespace yemvo {

/// Throws Error that names the first id used twice, id that names nothing, or radio its model does not have.
void check_references(const Project&);

}  // namespace yemvo
