// SPDX-License-Identifier: GPL-3.0-or-later
// Closets in the window: their mark on the plan, their tool and their form.
#pragma once
#include "app/kinds/kind_face.h"

namespace yemvo::app {

KindFace closet_face();

}  // namespace yemvo::app
