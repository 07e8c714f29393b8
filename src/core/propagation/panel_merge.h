// SPDX-License-Identifier: GPL-3.0-or-later
// Walls that lie on each other count once.
#pragma once
#include <functional>
#include <vector>

#include "propagation/scene.h"

namespace yemvo {

/// Panels within 3 cm of one line that overlap along it and in height: where they do, in each band only the
/// one that takes more counts (`losses_db` by row and band, the earlier of equals), so that a wall laid on
/// another never raises a signal; the rest of both stays as it is. `mixed_row` gives the row that is in each
/// band another.
void merge_colinear(std::vector<ScenePanel>&, const std::vector<std::vector<double>>& losses_db,
                    const std::function<int(const std::vector<int>& by_band)>& mixed_row);

}  // namespace yemvo
