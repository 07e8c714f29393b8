// SPDX-License-Identifier: GPL-3.0-or-later
// Drawings as JSON. Shapes: docs/format/project.schema.json.
#pragma once
#include "project/json_reader.h"
#include "venue/drawing.h"

namespace yemvo {

Json write_drawing(const Drawing&);
Drawing read_drawing(const Reader&);

}  // namespace yemvo
