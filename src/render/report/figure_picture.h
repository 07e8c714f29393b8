// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QImage>

#include "render/report/blocks.h"

namespace yemvo::render::report {

/// What is painted into a rectangle of that size, as a picture on white with so many dots a millimetre; fewer
/// where it would have more than 12 million.
QImage figure_picture(const Paint&, const QSizeF& size_mm, double dots_per_mm);

}  // namespace yemvo::render::report
