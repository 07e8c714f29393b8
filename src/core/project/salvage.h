// SPDX-License-Identifier: GPL-3.0-or-later
// Making a project whole again whose file had bad parts.
#pragma once
#include <vector>

#include "project/project.h"

namespace yemvo {

/// Afterwards check_references holds: ids are unique and below next_id, what is referred to exists. What
/// refers to a type that is gone gets another of its use; what cannot do without what is gone is set aside.
void mend_references(Project&, std::vector<SetAside>&);

}  // namespace yemvo
