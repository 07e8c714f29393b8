// The look of the ordinary widgets, made from the palette.
#pragma once
#include <QIcon>
#include <QString>

#include "render/palette.h"

class QApplication;

namespace yemvo::app {

const render::Palette& theme();
/// Style sheet, font and colours for the whole application.
void apply_theme(QApplication&);
/// An icon of our set, in a colour.
QIcon icon(const QString& name, const QColor&);
QPixmap icon_pixmap(const QString& name, const QColor&, int size, qreal ratio);

}  // namespace yemvo::app
