// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/kinds/kind_face.h"

namespace yemvo::app {

KindFace outlet_face();
KindFace tray_face();
KindFace riser_face();

}  // namespace yemvo::app
