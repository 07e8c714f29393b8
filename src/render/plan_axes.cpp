// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/plan_axes.h"

#include <QPainter>
#include <cmath>
#include <optional>

#include "render/text_style.h"

namespace yemvo::render {
namespace {

constexpr double ring_px = 8.5, beyond_m = 3.3;

/// What of a line lies in a rectangle.
std::optional<QLineF> clipped(const QLineF& line, const QRectF& to) {
    double from = 0, until = 1;
    const auto keep = [&](double start, double step, double low, double high) {
        if (std::abs(step) < 1e-9) return start >= low && start <= high;
        const double a = (low - start) / step, b = (high - start) / step;
        from = std::max(from, std::min(a, b));
        until = std::min(until, std::max(a, b));
        return from < until;
    };
    if (!keep(line.x1(), line.dx(), to.left(), to.right()) ||
        !keep(line.y1(), line.dy(), to.top(), to.bottom()))
        return {};
    return QLineF(line.pointAt(from), line.pointAt(until));
}

void paint_ring(QPainter& p, QPointF at, const QString& name, const Palette& palette) {
    p.setPen(QPen(palette.muted, 1));
    p.setBrush(palette.paper);
    p.drawEllipse(at, ring_px, ring_px);
    p.setPen(palette.ink);
    p.setFont(font(name.size() > 2 ? 7.5 : 9.5, 600));
    p.drawText(QRectF(at.x() - 12, at.y() - 10, 24, 20), Qt::AlignCenter, name);
}

void paint_axis(QPainter& p, const QLineF& line, const QString& name, const QRectF& visible,
                const Palette& palette) {
    const double in = ring_px + 1;
    const auto shown = clipped(line, visible.adjusted(in, in, -in, -in));
    if (!shown || shown->length() < 4 * ring_px) return;
    QPen pen(with_alpha(palette.muted, 0.7), 0.8);
    pen.setDashPattern({12, 4, 2, 4});
    p.setPen(pen);
    p.drawLine(*shown);
    paint_ring(p, shown->p2(), name, palette);
}

/// Of axes that would stand on each other every second, fourth and so on is shown.
std::size_t shown_every(const std::vector<double>& spacings_m, double px_per_m) {
    const double least_px = *std::ranges::min_element(spacings_m) * px_per_m;
    std::size_t n = 1;
    while (static_cast<double>(n) * least_px < 2.4 * ring_px && n <= spacings_m.size()) n *= 2;
    return n;
}

}  // namespace

void paint_axes(QPainter& p, const AxisGrid& axes, const PlanMap& map, const QRectF& visible,
                const Palette& palette) {
    if (axes.empty()) return;
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    const std::size_t letters = axes.letters_m.size(), numbers = axes.numbers_m.size();
    const auto at = [&](const AxisPlace& place) { return map.to_screen(place_of(axes, place)); };
    const std::size_t letter_step = shown_every(axes.letters_m, map.px_per_m),
                      number_step = shown_every(axes.numbers_m, map.px_per_m);
    for (std::size_t i = 0; i <= letters; i += letter_step)
        paint_axis(p, {at({i, 0, 0, -beyond_m}), at({i, numbers, 0, beyond_m})},
                   QString::fromStdString(axis_letter(i)), visible, palette);
    for (std::size_t i = 0; i <= numbers; i += number_step)
        paint_axis(p, {at({0, i, -beyond_m, 0}), at({letters, i, beyond_m, 0})}, QString::number(i + 1),
                   visible, palette);
    p.restore();
}

}  // namespace yemvo::render
