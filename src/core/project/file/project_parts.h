// SPDX-License-Identifier: GPL-3.0-or-later
// The parts of a project file that are of the project as a whole. Shapes: docs/format/project.schema.json.
#pragma once
#include "project/file/part_kind.h"
#include "project/project.h"

namespace yemvo {

extern const PartKind<Project> types_part, gear_part, demand_part, air_part, cabling_part, handover_part,
    requirements_part, findings_part, probes_part, display_part, aside_part;

}  // namespace yemvo
