// What a new project starts with: the wall types of data/wall_types.json and the models of data/gear.json,
// which are built into the program.
#pragma once
#include <vector>

#include "gear/client.h"
#include "gear/model.h"
#include "venue/wall_type.h"

namespace yemvo {

/// Without ids: a project gives its own.
std::vector<WallType> standard_wall_types();
/// By ITU-R P.2040-2.
std::vector<Material> standard_materials();
std::vector<AccessPointModel> standard_models();
std::vector<ClientProfile> standard_clients();

}  // namespace yemvo
