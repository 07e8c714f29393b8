// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/drawings/drawing_runner.h"

#include <QPainter>
#include <cmath>

namespace yemvo::app {

DrawingRunner::DrawingRunner(QObject* parent) : QObject(parent) {}

void DrawingRunner::request(Paint paint, const render::PlanMap& map, double ratio) {
    behind_.request(job(
        {}, [paint = std::move(paint)](const AtWork& at) { return paint(at.cancel()); },
        [this, map, ratio](QImage image) {
            emit painted({std::move(image), map, ratio});
        },
        [this](const QString& why) { emit failed(why); }));
}

void draw_view(QPainter& p, const PaintedView& view, const render::PlanMap& now) {
    if (view.image.isNull()) return;
    const double ratio = view.ratio, scale = now.px_per_m * ratio / view.map.px_per_m;
    // the image's corner, in the logical pixels of the present view
    const QPointF corner = now.origin - view.map.origin * (scale / ratio);
    const QSizeF size = QSizeF(view.image.size()) * (scale / ratio);
    if (std::abs(scale - 1) < 1e-9) {
        const QPointF whole(std::round(corner.x() * ratio) / ratio, std::round(corner.y() * ratio) / ratio);
        p.drawImage(QRectF(whole, size), view.image);
        return;
    }
    p.save();
    p.setRenderHint(QPainter::SmoothPixmapTransform, false);
    p.drawImage(QRectF(corner, size), view.image);
    p.restore();
}

}  // namespace yemvo::app
