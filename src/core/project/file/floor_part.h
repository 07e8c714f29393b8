// SPDX-License-Identifier: GPL-3.0-or-later
// What stands on a floor, as a part of the project file. Shapes: docs/format/project.schema.json.
#pragma once
#include "project/file/part_kind.h"
#include "venue/floor.h"

namespace yemvo {

extern const PartKind<Floor> things_on_floor;

}  // namespace yemvo
