// SPDX-License-Identifier: GPL-3.0-or-later
// How an access point hangs, from the side and from above.
#pragma once
#include <QPainter>

#include "project/project.h"

namespace yemvo::render::report {

void paint_hanging(QPainter&, const QRectF&, const Project&, const Floor&, const AccessPoint&);

}  // namespace yemvo::render::report
