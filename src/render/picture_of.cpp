// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/picture_of.h"

#include <QPainter>
#include <algorithm>
#include <cstring>

#include "render/drawings/sheet.h"

namespace yemvo::render {

Picture picture_of(const QImage& image) {
    const QImage rgb = image.convertToFormat(QImage::Format_RGB888);
    Picture picture{rgb.width(), rgb.height(), {}};
    const auto row = static_cast<std::size_t>(3) * static_cast<std::size_t>(rgb.width());
    picture.rgb.resize(row * static_cast<std::size_t>(rgb.height()));
    for (int y = 0; y < rgb.height(); ++y)
        std::memcpy(picture.rgb.data() + row * static_cast<std::size_t>(y), rgb.constScanLine(y), row);
    return picture;
}

QImage image_of(const Sheet& sheet) {
    constexpr double px_an_inch = 200, inch_m = 0.0254, most_px = 3000;
    const Box box = sheet.box();
    const double wide = std::max(box.width(), box.height());
    const double wanted = sheet.paper_m() > 0 ? sheet.paper_m() / inch_m * px_an_inch : 1;
    const double scale = std::min(wanted, most_px / wide);
    QImage image(std::max(1, static_cast<int>(std::lround(box.width() * scale))),
                 std::max(1, static_cast<int>(std::lround(box.height() * scale))), QImage::Format_RGB32);
    image.fill(Qt::white);
    QPainter p(&image);
    p.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
    QTransform to_px;
    to_px.scale(scale, scale);
    to_px.translate(-box.low.x, -box.low.y);
    sheet.paint(p, to_px, QRectF(image.rect()), {}, {});
    return image;
}

}  // namespace yemvo::render
