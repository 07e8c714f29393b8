// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/figure_picture.h"

#include "render/text_style.h"

namespace yemvo::render::report {

QImage figure_picture(const Paint& paint, const QSizeF& size_mm, double dots_per_mm) {
    constexpr double most_dots = 12e6;
    const double dots = std::min(dots_per_mm, std::sqrt(most_dots / (size_mm.width() * size_mm.height())));
    QImage image((size_mm * dots).toSize(), QImage::Format_RGB32);
    image.fill(Qt::white);
    QPainter p(&image);
    p.setRenderHints(QPainter::Antialiasing | QPainter::TextAntialiasing | QPainter::SmoothPixmapTransform);
    p.scale(dots / print_px_per_mm, dots / print_px_per_mm);
    const PrintType type;
    paint(p, QRectF(QPointF(0, 0), size_mm * print_px_per_mm));
    return image;
}

}  // namespace yemvo::render::report
