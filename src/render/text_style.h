// Type: Inter at pixel sizes, and text with a halo for maps.
#pragma once
#include <QFont>
#include <QPainter>
#include <QString>

namespace yemvo::render {

QFont font(double pixels, int weight = 400);

/// Text centred on (or, with alignment, beside) a point over a halo of the colour `casing`.
void draw_halo_text(QPainter&, QPointF at, const QString&, const QFont&, const QColor& ink,
                    const QColor& casing, double halo_px = 3.4, Qt::Alignment = Qt::AlignCenter);

/// A figure with a true minus and the given decimals.
QString figure(double value, int decimals = 0);
/// "92.1 %"
QString percent(double share, int decimals = 1);

}  // namespace yemvo::render
