// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures that a project brings along, and whether texts can be set at all.
#pragma once
#include <QImage>
#include <QPainter>

#include "project/project.h"

namespace yemvo::render::report {

/// An asset of the project as a picture; null where there is none of that name, or it is no picture.
QImage print_image(const Project&, const std::string& asset);

/// Whether the asset begins as a picture does: quick, for what is asked after every edit.
bool is_picture(const Project&, const std::string& asset);

/// As large as it fits into the box without being bent; `where` it lies where it leaves room.
void paint_image(QPainter&, const QImage&, const QRectF& box, Qt::Alignment where);

/// Without any font every letter would be a box.
bool printing_fonts_there();

}  // namespace yemvo::render::report
