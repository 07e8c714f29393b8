// Walls that lie on each other count once.
#pragma once
#include <functional>
#include <vector>

#include "propagation/scene.h"

namespace yemvo {

/// Panels within 3 cm of one line that overlap along it and in height: where they do, only the one that takes
/// more stays (`loss_db` by row, the earlier of equals); the rest of the other stays as it is.
void merge_colinear(std::vector<ScenePanel>&, const std::function<double(int row)>& loss_db);

}  // namespace yemvo
