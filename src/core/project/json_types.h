// SPDX-License-Identifier: GPL-3.0-or-later
// Wall types and materials as JSON. Shapes: docs/format/types.schema.json.
#pragma once
#include "project/json_reader.h"
#include "venue/wall_type.h"

namespace yemvo {

Json write_material(const Material&);
Material read_material(const Reader&);
Json write_wall_type(const WallType&);
WallType read_wall_type(const Reader&);  ///< the id and what came with later formats may be absent

/// A library of types as a file of its own, without ids.
std::string types_to_json(const std::vector<WallType>&);
/// `name`: of the file, for messages. Throws Error.
std::vector<WallType> types_from_json(std::string_view text, const std::string& name);

}  // namespace yemvo
