// Requirement sets as JSON. Shapes: docs/format/project.schema.json.
#pragma once
#include <vector>

#include "project/json_reader.h"
#include "project/project.h"

namespace yemvo {

Json write_requirement_set(const RequirementSet&);
/// Ids may be absent, as in the library's own sets.
RequirementSet read_requirement_set(const Reader&);
/// Formats before 5 had a plain list whose requirements named their zones; those for the same zones become a
/// set.
std::vector<RequirementSet> read_requirements_of_old(const Reader& list, int version, Project&);

}  // namespace yemvo
