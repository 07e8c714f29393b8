// SPDX-License-Identifier: GPL-3.0-or-later
// Requirement sets as JSON. Shapes: docs/format/project.schema.json.
#pragma once

#include "project/json_reader.h"
#include "project/requirement.h"

namespace yemvo {

Json write_requirement_set(const RequirementSet&);
/// Ids may be absent, as in the library's own sets.
RequirementSet read_requirement_set(const Reader&);

}  // namespace yemvo
