// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/legend.h"

#include <map>

#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render {

MapStatistics statistics(const FloorPrediction& floor, const std::vector<float>& values,
                         const MapChoice& choice) {
    const MapScale info = scale_of(choice);
    MapStatistics s;
    s.by_step.assign(static_cast<std::size_t>(info.steps), 0);
    std::map<int, double> areas;
    const double cell_m2 = floor.surface.cell_m * floor.surface.cell_m;
    double shown = 0, kept = 0;
    for (std::size_t i = 0; i < values.size(); ++i) {
        if (!floor.mask->shown[i]) continue;
        shown += 1;
        if (std::isnan(values[i])) continue;
        const double v = values[i];
        if (info.is_choice) {
            areas[static_cast<int>(v)] += cell_m2;
            continue;
        }
        const int step = info.step_of(v);
        s.by_step[static_cast<std::size_t>(step)] += 1;
        if (info.more_is_better ? v >= info.threshold : v <= info.threshold) kept += 1;
        if (2 * step + 1 == info.steps) continue;
        ((2 * step + 1 > info.steps) == info.more_is_better ? s.share_better : s.share_worse) += 1;
    }
    if (shown > 0) {
        for (double& share : s.by_step) share /= shown;
        s.share_kept = kept / shown;
        s.share_better /= shown;
        s.share_worse /= shown;
    }
    if (info.is_choice) {
        const bool is_band = lens(choice.lens).kind == LensKind::band;
        const auto tints = is_band ? std::map<int, std::size_t>() : serving_tints(floor.surface, values);
        for (const auto& [number, area_m2] : areas)
            s.areas.push_back(
                {number, area_m2, is_band ? static_cast<std::size_t>(number) : tints.at(number)});
        std::stable_sort(s.areas.begin(), s.areas.end(),
                         [](auto& a, auto& b) { return a.area_m2 > b.area_m2; });
    }
    return s;
}

namespace {
/// Whole where it is whole.
QString short_figure(double v) { return figure(v, std::abs(v - std::round(v)) < 1e-6 ? 0 : 1); }
}  // namespace

void paint_value_labels(QPainter& p, const FloorPrediction& floor, const std::vector<float>& values,
                        const MapChoice& choice, const PlanMap& map, QSizeF size, const Palette& palette) {
    const LensInfo& info = lens(choice.lens);
    if (info.is_choice()) return;  // badges and tints already name it
    constexpr double apart_px = 64;
    // on a grid of the plan's own, so that figures keep their place while it is panned
    const double step_m =
        std::max(floor.surface.cell_m, std::pow(2.0, std::ceil(std::log2(apart_px / map.px_per_m))));
    const Box box = floor.surface.box();
    for (double y = std::ceil(box.low.y / step_m) * step_m; y < box.high.y; y += step_m)
        for (double x = std::ceil(box.low.x / step_m) * step_m; x < box.high.x; x += step_m) {
            const QPointF at = map.to_screen(Point{x, y});
            if (!QRectF(QPointF(0, 0), size).contains(at)) continue;
            const auto cell = floor.surface.cell_at({x, y});
            if (!cell || !floor.mask->shown[*cell] || std::isnan(values[*cell])) continue;
            draw_halo_text(
                p, at, figure(double{values[*cell]}, scale_of(choice).step < 1 || choice.is_change() ? 1 : 0),
                font(10.5, 500), palette.ink, palette.casing, 3);
        }
}

LegendLayout::LegendLayout(QPointF corner, const MapChoice& choice)
    : info_(lens(choice.lens)), scale_(scale_of(choice)), choice_(choice) {
    constexpr double width = 312, height = 80;
    frame_ = QRectF(corner.x() - 8 - width, corner.y() - 8 - height, width, height);
    const double strip_width = 24.0 * scale_.steps;
    strip_ = QRectF(frame_.center().x() - strip_width / 2, frame_.top() + 44, strip_width, 11);
}

double LegendLayout::x_of(double value) const {
    const double share = (value - scale_.low) / (scale_.high() - scale_.low);
    return strip_.left() + std::clamp(share, 0.0, 1.0) * strip_.width();
}

double LegendLayout::value_at(double x) const {
    const double share = std::clamp((x - strip_.left()) / strip_.width(), 0.0, 1.0);
    const double fine = scale_.step >= 1 ? 1 : scale_.step / 5;  // a legend of halves is dragged in tenths
    return std::round((scale_.low + share * (scale_.high() - scale_.low)) / fine) * fine;
}

QRectF LegendLayout::handle() const {
    const double x = x_of(choice_.threshold);
    return {x - 16.5, strip_.bottom() + 4, 33, 14};
}

void LegendLayout::paint(QPainter& p, const MapStatistics& s, const Palette& palette) const {
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(palette.line, 1));
    p.setBrush(with_alpha(palette.paper, 0.94));
    p.drawRoundedRect(frame_.adjusted(0.5, 0.5, -0.5, -0.5), 6, 6);
    p.setPen(palette.ink);
    p.setFont(font(12, 600));
    const double room = frame_.width() - 24 - (scale_.is_change ? 84 : 0);
    p.drawText(frame_.adjusted(12, 7, -12, 0), Qt::AlignLeft | Qt::AlignTop,
               QFontMetricsF(p.font()).elidedText(title(), Qt::ElideRight, room));
    info_.is_choice() ? paint_choices(p, s, palette) : paint_amounts(p, s, palette);
    p.restore();
}

QString LegendLayout::title() const {
    const QString what = map_name(choice_);
    return other_.isEmpty() ? what : what + ", " + other_;
}

QString LegendLayout::kept_words(const MapStatistics& s, bool short_form) const {
    if (scale_.is_change) {
        return QStringLiteral("▲ %1  ▼ %2")
            .arg(render::percent(s.share_better, 0), render::percent(s.share_worse, 0));
    }
    const bool one = info_.unit == "radios" && choice_.threshold == 1;
    const QString limit = short_figure(choice_.threshold) + " " + (one ? tr("radio") : tr_mark(info_.unit));
    if (!short_form)
        return (info_.more_is_better ? tr("%1 at or above %2") : tr("%1 at or below %2"))
            .arg(percent(s.share_kept), limit);
    return percent(s.share_kept, 0) + (info_.more_is_better ? QStringLiteral(" ≥ ") : QStringLiteral(" ≤ ")) +
           limit;
}

void LegendLayout::paint_amounts(QPainter& p, const MapStatistics& s, const Palette& palette) const {
    p.setFont(font(11));
    p.setPen(palette.muted);
    QString kept = kept_words(s, false);
    const double taken = QFontMetricsF(font(12, 600)).horizontalAdvance(title());
    if (taken + 12 + QFontMetricsF(p.font()).horizontalAdvance(kept) > frame_.width() - 24)
        kept = kept_words(s, true);
    p.drawText(frame_.adjusted(12, 7, -12, 0), Qt::AlignRight | Qt::AlignTop, kept);
    paint_steps(p, s, palette);
    const double x = x_of(scale_.threshold);
    const QRectF failing = info_.more_is_better ? QRectF(strip_.topLeft(), QPointF(x, strip_.bottom()))
                                                : QRectF(QPointF(x, strip_.top()), strip_.bottomRight());
    p.setRenderHint(QPainter::Antialiasing);
    paint_hatch(p, failing, with_alpha(palette.hatch, 0.8), 3.6);
    p.setPen(QPen(with_alpha(palette.ink, 0.5), 1));
    p.setBrush(Qt::NoBrush);
    p.drawRect(strip_.adjusted(0.5, 0.5, -0.5, -0.5));
    paint_ticks(p, palette);
    if (has_handle()) paint_handle(p, palette);
}

void LegendLayout::paint_steps(QPainter& p, const MapStatistics& s, const Palette& palette) const {
    const double most = std::max(1e-9, *std::max_element(s.by_step.begin(), s.by_step.end()));
    p.setRenderHint(QPainter::Antialiasing, false);
    for (int i = 0; i < scale_.steps; ++i) {
        const QRectF cell(strip_.left() + 24.0 * i, strip_.top(), 24, strip_.height());
        const double h = 18 * s.by_step[static_cast<std::size_t>(i)] / most;
        p.setPen(QPen(with_alpha(palette.ink, 0.35), 1));
        p.setBrush(scale_.colour(palette, i));
        if (h > 0.5) p.drawRect(QRectF(cell.left(), strip_.top() - h, 24, h));
        p.setPen(Qt::NoPen);
        p.drawRect(cell);
    }
}

/// At the limits of the steps; of a change in the middle of every other step, with its sign.
void LegendLayout::paint_ticks(QPainter& p, const Palette& palette) const {
    p.setFont(font(10.5));
    p.setPen(palette.ink);
    const auto tick = [&](double x, const QString& words) {
        p.drawText(QRectF(x - 30, strip_.bottom() + 4, 60, 14), Qt::AlignCenter, words);
    };
    if (scale_.is_change) {
        for (int i = 1; i < scale_.steps; i += 2) {
            const double v = scale_.low + (i + 0.5) * scale_.step;
            const bool none = std::abs(v) < 1e-9;
            tick(x_of(v), none ? QString("0 ") + tr_mark(scale_.unit)
                               : (v > 0 ? "+" : "") + figure(v, scale_.step < 1 ? 2 : 0));
        }
        return;
    }
    bool crowded = false;
    for (int i = 1; i < scale_.steps; ++i)
        crowded |= QFontMetricsF(p.font()).horizontalAdvance(short_figure(scale_.low + scale_.step * i)) > 23;
    const double x = x_of(choice_.threshold);
    for (int i = 1; i < scale_.steps; ++i) {
        const double at = strip_.left() + 24.0 * i;
        if (std::abs(at - x) < 28 || (crowded && i % 2)) continue;
        tick(at, short_figure(scale_.low + scale_.step * i));
    }
}

void LegendLayout::paint_handle(QPainter& p, const Palette& palette) const {
    const double x = x_of(choice_.threshold);
    p.setPen(QPen(palette.not_met, 1.6));
    p.drawLine(QPointF(x, strip_.top() - 20), QPointF(x, strip_.bottom() + 5));
    p.setPen(Qt::NoPen);
    p.setBrush(palette.not_met);
    p.drawRoundedRect(handle(), 2.5, 2.5);
    p.setPen(palette.on_accent);
    p.setFont(font(11, 650));
    p.drawText(handle(), Qt::AlignCenter, short_figure(choice_.threshold));
}

void LegendLayout::paint_choices(QPainter& p, const MapStatistics& s, const Palette& palette) const {
    constexpr std::size_t rows = 3, most = 9;
    const std::size_t shown = std::min(s.areas.size(), most);
    if (s.areas.size() > most) {
        p.setFont(font(11));
        p.setPen(palette.muted);
        p.drawText(frame_.adjusted(12, 7, -12, 0), Qt::AlignRight | Qt::AlignTop,
                   tr("and %1 smaller").arg(s.areas.size() - most));
    }
    for (std::size_t i = 0; i < shown; ++i) {
        const auto& area = s.areas[i];
        const std::size_t column = i / rows, row = i % rows;
        const double x = frame_.left() + 12 + 98 * static_cast<double>(column),
                     y = frame_.top() + 26 + 17 * static_cast<double>(row);
        p.setPen(QPen(with_alpha(palette.ink, 0.55), 1));
        const bool is_band = info_.kind == LensKind::band;
        p.setBrush(is_band ? palette.bands[area.tint].tint : palette.serving[area.tint]);
        p.drawRect(QRectF(x + 0.5, y + 2.5, 18, 11));
        p.setPen(palette.ink);
        p.setFont(font(11.5, 600));
        p.drawText(QRectF(x + 25, y, 26, 16), Qt::AlignVCenter | Qt::AlignLeft,
                   is_band ? QString::fromStdString(bands()[area.tint].name) : QString::number(area.number));
        p.setFont(font(11));
        p.setPen(palette.muted);
        p.drawText(QRectF(x + 40, y, 48, 16), Qt::AlignVCenter | Qt::AlignRight,
                   figure(area.area_m2, 0) + QStringLiteral(" m²"));
    }
}

}  // namespace yemvo::render
