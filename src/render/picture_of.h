// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures, photos and pages as plain pixels for the search of charts.
#pragma once
#include <QImage>

#include "chart/picture.h"

namespace yemvo::render {

class Sheet;

Picture picture_of(const QImage&);
/// A picture with its own pixels, a page with 200 a printed inch, neither wider than the search takes.
QImage image_of(const Sheet&);

}  // namespace yemvo::render
