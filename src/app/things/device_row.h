// SPDX-License-Identifier: GPL-3.0-or-later
// Rows of fixed devices in the window: their tool and their form. render/plan_demand draws them.
#pragma once
#include "app/kinds/kind_face.h"

namespace yemvo::app {

KindFace device_row_face();

}  // namespace yemvo::app
