// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/drawings/drawing_layer.h"

#include <QPainterPath>
#include <algorithm>

namespace yemvo::render {
namespace {

QImage blank(QSize size) {
    QImage image(size, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::transparent);
    return image;
}

QPolygonF shown_outline(const LaidSheet& s, const QTransform& to_px) {
    std::vector<Point> corners = s.crop;
    if (corners.empty()) {
        const auto& [low, high] = s.source.sheet;
        corners = {low, {high.x, low.y}, high, {low.x, high.y}};
    }
    QPolygonF outline;
    for (Point p : corners) outline << to_px.map(QPointF(p.x, p.y));
    return outline;
}

/// The sheet's ink on nothing, at full strength.
QImage ink_of(const LaidSheet& s, const PlanMap& map, QSize size, const CancelToken& cancel, QRect* touched) {
    QImage image = blank(size);
    const QTransform to_px = sheet_to_px(s.placement, map);
    const QPolygonF outline = shown_outline(s, to_px);
    const QRect part = outline.boundingRect().toAlignedRect().intersected(image.rect());
    if (touched) *touched = part;
    if (part.isEmpty() || !s.sheet) return image;
    {
        QPainter p(&image);
        QPainterPath clip;
        clip.addPolygon(outline);
        p.setClipPath(clip);
        s.sheet->paint(p, to_px, QRectF(part), s.source.hidden_layers, cancel);
    }
    cancel.check();
    make_ink(image, s.inverted, s.lighten);
    if (s.on_dark) swap_light_and_dark(image);
    if (s.tint) {
        QPainter p(&image);
        p.setCompositionMode(QPainter::CompositionMode_SourceIn);
        p.fillRect(part, *s.tint);
    }
    return image;
}

}  // namespace

LaidSheet laid(const Drawing& d, std::shared_ptr<const Sheet> sheet) {
    return {std::move(sheet), d.source, d.crop, d.placement, d.opacity, d.lighten, d.inverted, {}, false};
}

QTransform sheet_to_px(const Similarity& placement, const PlanMap& map) {
    const Similarity unturned{placement.scale, placement.turn_deg, {}};
    const Point x = unturned.apply({1, 0}), y = unturned.apply({0, -1});
    const QPointF origin = map.to_screen(placement.shift);
    return QTransform(x.x * map.px_per_m, -x.y * map.px_per_m, y.x * map.px_per_m, -y.y * map.px_per_m,
                      origin.x(), origin.y());
}

QImage paint_sheets(const std::vector<LaidSheet>& sheets, const PlanMap& map, QSize size,
                    const CancelToken& cancel) {
    QImage all = blank(size);
    for (const LaidSheet& s : sheets) {
        cancel.check();
        QRect part;
        const QImage ink = ink_of(s, map, size, cancel, &part);
        QPainter p(&all);
        p.setOpacity(s.opacity);
        p.drawImage(part, ink, part);
    }
    return all;
}

QImage paint_difference(const LaidSheet& older, const LaidSheet& newer, const PlanMap& map, QSize size,
                        const QColor& gone, const QColor& come, const CancelToken& cancel) {
    QImage old_ink = ink_of(older, map, size, cancel, nullptr);
    const QImage new_ink = ink_of(newer, map, size, cancel, nullptr);
    // a line that moved by less than a pixel has not changed: each is held against the other made wider by
    // one
    const auto widened = [](const QImage& i, int x, int y) {
        int most = 0;
        for (int dy = -1; dy <= 1; ++dy)
            for (int dx = -1; dx <= 1; ++dx) {
                const int u = x + dx, v = y + dy;
                if (u >= 0 && v >= 0 && u < i.width() && v < i.height())
                    most = std::max(most, qAlpha(reinterpret_cast<const QRgb*>(i.constScanLine(v))[u]));
            }
        return most;
    };
    QImage out = blank(size);
    for (int y = 0; y < out.height(); ++y) {
        cancel.check();
        auto* line = reinterpret_cast<QRgb*>(out.scanLine(y));
        for (int x = 0; x < out.width(); ++x) {
            const int a = qAlpha(reinterpret_cast<const QRgb*>(old_ink.constScanLine(y))[x]);
            const int b = qAlpha(reinterpret_cast<const QRgb*>(new_ink.constScanLine(y))[x]);
            if (a == 0 && b == 0) continue;
            const int lost = std::max(0, a - widened(new_ink, x, y)),
                      won = std::max(0, b - widened(old_ink, x, y));
            QColor ink(0x9A, 0xA3, 0xAF);
            int alpha = std::max(a, b);
            if (lost > 40 && lost >= won) {
                ink = gone;
            } else if (won > 40) {
                ink = come;
            } else {
                alpha = alpha * 6 / 10;
            }
            line[x] = qPremultiply(qRgba(ink.red(), ink.green(), ink.blue(), alpha));
        }
    }
    return out;
}

std::shared_ptr<const Sheet> SheetCache::open(const Shared<Bytes>& bytes, const DrawingSource& source,
                                              const CancelToken& cancel) {
    const std::uint64_t key = ContentKey()
                                  .add(static_cast<std::uint64_t>(reinterpret_cast<std::uintptr_t>(&*bytes)))
                                  .add(static_cast<int>(source.kind))
                                  .add(source.page)
                                  .value();
    if (const auto kept = opened_.find(key)) return kept->sheet;
    // the sheet may hold on to the bytes
    const std::shared_ptr<const Bytes> held(&*bytes, [bytes](const Bytes*) {});
    auto sheet = open_sheet(held, source.kind, source.page, source.asset, cancel);
    opened_.keep(key, std::make_shared<const Opened>(Opened{bytes, sheet}), sheet->bytes());
    return sheet;
}

QImage drawings_picture(const Project& project, const Floor& floor, SheetCache& cache, const PlanMap& map,
                        QSize size) {
    std::vector<LaidSheet> sheets;
    for (const Drawing& d : *floor.drawings) {
        const auto asset = project.assets.find(d.source.asset);
        if (d.shown && asset != project.assets.end())
            sheets.push_back(laid(d, cache.open(asset->second, d.source)));
    }
    return paint_sheets(sheets, map, size);
}

}  // namespace yemvo::render
