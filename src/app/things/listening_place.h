// SPDX-License-Identifier: GPL-3.0-or-later
// Listening places as the window shows them.
#pragma once
#include "app/kinds/kind_face.h"

namespace yemvo::app {

KindFace listening_place_face();

}  // namespace yemvo::app
