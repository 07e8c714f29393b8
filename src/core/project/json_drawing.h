// Drawings as JSON. Shapes: docs/format/project.schema.json.
#pragma once
#include "project/json_reader.h"
#include "venue/drawing.h"

namespace yemvo {

Json write_drawing(const Drawing&);
Drawing read_drawing(const Reader&);
/// A floor's only drawing as format 1 had it, a picture; its id is 0.
Drawing read_drawing_1(const Reader&);

}  // namespace yemvo
