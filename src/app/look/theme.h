// SPDX-License-Identifier: GPL-3.0-or-later
// The look of the ordinary widgets, made from the palette.
#pragma once
#include <QIcon>
#include <QString>

#include "render/palette.h"

class QApplication;
class QWidget;

namespace yemvo::app {

const render::Palette& theme();
/// Style sheet, font and colours for the whole application.
void apply_theme(QApplication&);
bool is_dark();
/// Light or dark, for all windows at once; views that keep pictures get a PaletteChange.
void choose_theme(bool dark);
/// A widget's own style sheet with the palette's words ("@line") in it; it follows the theme.
void dress(QWidget*, const QString& sheet);
/// An icon of our set, in a colour.
QIcon icon(const QString& name, const QColor&);
QPixmap icon_pixmap(const QString& name, const QColor&, int size, qreal ratio);

}  // namespace yemvo::app
