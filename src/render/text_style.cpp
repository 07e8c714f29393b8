#include "render/text_style.h"

#include "base/number_text.h"

namespace yemvo::render {

QFont font(double pixels, int weight) {
    QFont f("Inter");
    f.setStyleHint(QFont::SansSerif);
    f.setPixelSize(std::max(1, static_cast<int>(std::lround(pixels))));
    f.setWeight(static_cast<QFont::Weight>(weight));
    return f;
}

void draw_halo_text(QPainter& p, QPointF at, const QString& text, const QFont& f, const QColor& ink,
                    const QColor& casing, double halo_px, Qt::Alignment alignment) {
    const QFontMetricsF metrics(f);
    const double width = metrics.horizontalAdvance(text);
    double x = at.x();
    if (alignment & Qt::AlignHCenter) x -= width / 2;
    if (alignment & Qt::AlignRight) x -= width;
    const double y = at.y() + metrics.capHeight() / 2;
    QPainterPath path;
    path.addText(std::round(x), std::round(y), f, text);
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(casing, halo_px, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    p.drawPath(path);
    p.setFont(f);
    p.setPen(ink);
    p.drawText(QPointF(std::round(x), std::round(y)), text);
    p.restore();
}

QString figure(double value, int decimals) { return QString::fromStdString(format_number(value, decimals)); }

QString percent(double share, int decimals) {
    return QString::fromStdString(format_percent(share, decimals));
}

}  // namespace yemvo::render
