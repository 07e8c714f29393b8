// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/charts/chart_canvas.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>
#include <numbers>

#include "app/look/theme.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr double handle_px = 8;

double direction_to(Point from, Point to) {
    return std::atan2(to.x - from.x, -(to.y - from.y)) * 180 / std::numbers::pi;
}

}  // namespace

ChartCanvas::ChartCanvas(QWidget* parent) : QWidget(parent) {
    setObjectName("chartCanvas");
    setAccessibleName(tr("Sheet with charts"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setMinimumSize(300, 300);
}

void ChartCanvas::show_sheet(const ChartSheet* sheet, int chosen) {
    sheet_ = sheet;
    moving_.reset();
    held_.reset();
    pick_colour(false);
    draw(false);
    line_.clear();
    grip_ = Handle::centre;
    fit();
    changed(chosen);
}

void ChartCanvas::changed(int chosen) {
    chosen_ = chosen;
    if (!held_) moving_.reset();
    update();
}

void ChartCanvas::set_band(BandId band) {
    band_ = band;
    update();
}

void ChartCanvas::fit() {
    fitted_ = true;
    if (!sheet_ || sheet_->image.isNull()) return;
    scale_ = std::min((width() - 24.0) / sheet_->image.width(), (height() - 24.0) / sheet_->image.height());
    shift_ = QPointF((width() - scale_ * sheet_->image.width()) / 2,
                     (height() - scale_ * sheet_->image.height()) / 2);
    update();
}

void ChartCanvas::pick_colour(bool on) {
    picking_ = on;
    setCursor(on ? Qt::CrossCursor : Qt::ArrowCursor);
}

void ChartCanvas::draw(bool on) {
    if (drawing_ == on) return;
    drawing_ = on;
    setCursor(on ? Qt::CrossCursor : Qt::ArrowCursor);
    update();
    emit drawing_changed(on);
}

QPointF ChartCanvas::px(Point p) const { return shift_ + scale_ * QPointF(p.x, p.y); }
Point ChartCanvas::in_picture(QPointF at) const {
    return {(at.x() - shift_.x()) / scale_, (at.y() - shift_.y()) / scale_};
}

const ChartFrame& ChartCanvas::frame(int chart) const {
    return moving_ && held_ && held_->chart == chart
               ? *moving_
               : sheet_->charts[static_cast<std::size_t>(chart)].found.frame;
}

QPointF ChartCanvas::on_ring(const ChartFrame& f, double radius_px, double direction_deg) const {
    const double a = direction_deg * std::numbers::pi / 180;
    return px({f.centre_px.x + radius_px * std::sin(a), f.centre_px.y - radius_px * std::cos(a)});
}

QPointF ChartCanvas::place_of(const ChartFrame& f, Handle handle) const {
    switch (handle) {
        case Handle::outer:
            return on_ring(f, f.outer_px, f.zero_deg + 45);
        case Handle::inner:
            return on_ring(f, f.radius_px(f.outer_db - 20), f.zero_deg - 45);
        case Handle::zero:
            return on_ring(f, f.outer_px, f.zero_deg);
        case Handle::centre:
            break;
    }
    return px(f.centre_px);
}

std::optional<ChartCanvas::Held> ChartCanvas::held_at(QPointF at) const {
    if (!sheet_) return {};
    const int count = static_cast<int>(sheet_->charts.size());
    for (int i = 0; i < count; ++i) {
        const int chart = (std::max(chosen_, 0) + i) % count;  // the chosen one first
        for (Handle h : {Handle::zero, Handle::inner, Handle::outer, Handle::centre}) {
            const QPointF by = place_of(frame(chart), h) - at;
            if (std::hypot(by.x(), by.y()) < handle_px + 3) return Held{chart, h};
        }
    }
    return {};
}

void ChartCanvas::drag_to(QPointF at) {
    ChartFrame& f = *moving_;
    const Point p = in_picture(at);
    const double radius = std::max(5.0, distance(p, f.centre_px));
    switch (held_->handle) {
        case Handle::centre:
            f.centre_px = p;
            break;
        case Handle::outer: {
            // the rings grow along
            f.db_per_px *= f.outer_px / radius;
            f.outer_px = radius;
            break;
        }
        case Handle::inner:
            if (radius < f.outer_px - 4) f.db_per_px = 20 / (f.outer_px - radius);
            break;
        case Handle::zero:
            f.zero_deg = std::fmod(direction_to(f.centre_px, p) + 360, 360);
            break;
    }
    update();
}

void ChartCanvas::mousePressEvent(QMouseEvent* e) {
    if (!sheet_) return;
    pointer_ = e->position();
    if (picking_ && e->button() == Qt::LeftButton) {
        const Point p = in_picture(e->position());
        const QPoint at(static_cast<int>(p.x), static_cast<int>(p.y));
        pick_colour(false);
        if (chosen_ >= 0 && sheet_->image.rect().contains(at)) {
            const QColor c = sheet_->image.pixelColor(at);
            emit picked(chosen_, {static_cast<std::uint8_t>(c.red()), static_cast<std::uint8_t>(c.green()),
                                  static_cast<std::uint8_t>(c.blue())});
        }
        return;
    }
    if (begin_line(*e)) return;
    held_ = e->button() == Qt::LeftButton ? held_at(e->position()) : std::nullopt;
    if (held_) {
        grip_ = held_->handle;
        moving_ = sheet_->charts[static_cast<std::size_t>(held_->chart)].found.frame;
        if (held_->chart != chosen_) emit chosen(held_->chart);
        return;
    }
    for (int i = 0; i < static_cast<int>(sheet_->charts.size()); ++i)
        if (distance(in_picture(e->position()), frame(i).centre_px) < frame(i).outer_px && i != chosen_)
            emit chosen(i);
    panned_from_ = e->position();
}

/// Whether a press is the begin of a line by hand, inside of the chosen chart.
bool ChartCanvas::begin_line(const QMouseEvent& e) {
    const bool asked = drawing_ || e.modifiers() & Qt::ShiftModifier;
    if (!asked || e.button() != Qt::LeftButton || chosen_ < 0) return false;
    const Point at = in_picture(e.position());
    const ChartFrame& f = frame(chosen_);
    if (distance(at, f.centre_px) > 1.1 * f.outer_px) return false;
    line_ = {at};
    update();
    return true;
}

void ChartCanvas::mouseMoveEvent(QMouseEvent* e) {
    pointer_ = e->position();
    if (!line_.empty()) {
        constexpr double apart_px = 2;
        const Point at = in_picture(e->position());
        if (distance(at, line_.back()) * scale_ >= apart_px) line_.push_back(at);
        return update();
    }
    if (held_ && moving_) return drag_to(e->position());
    if (panned_from_ && e->buttons() != Qt::NoButton) {
        shift_ += e->position() - *panned_from_;
        panned_from_ = e->position();
        fitted_ = false;
    } else if (!picking_ && !drawing_) {
        setCursor(held_at(e->position()) ? Qt::SizeAllCursor : Qt::ArrowCursor);
    }
    update();
}

void ChartCanvas::mouseReleaseEvent(QMouseEvent*) {
    panned_from_.reset();
    if (!line_.empty()) {
        const std::vector<Point> line = std::move(line_);
        line_.clear();
        emit drawn(chosen_, line);
        return update();
    }
    if (!held_) return;
    const int chart = held_->chart;
    const ChartFrame f = *moving_;
    held_.reset();
    moving_.reset();
    emit moved(chart, f);
}

void ChartCanvas::wheelEvent(QWheelEvent* e) {
    const double by = std::clamp(std::pow(1.0015, e->angleDelta().y()), 0.5, 2.0);
    const double next = std::clamp(scale_ * by, 0.05, 20.0);
    shift_ = e->position() - (e->position() - shift_) * (next / scale_);
    scale_ = next;
    fitted_ = false;
    update();
}

/// The handle that was touched last, or chosen with Space: the centre by pixels, rings outwards, 0 round.
void ChartCanvas::nudge(double right, double up) {
    if (!sheet_ || chosen_ < 0) return;
    ChartFrame f = frame(chosen_);
    const double outwards = std::abs(right) > std::abs(up) ? right : up;
    switch (grip_) {
        case Handle::centre:
            f.centre_px = {f.centre_px.x + right, f.centre_px.y - up};
            break;
        case Handle::outer:
            if (f.outer_px + outwards < 5) return;
            f.db_per_px *= f.outer_px / (f.outer_px + outwards);
            f.outer_px += outwards;
            break;
        case Handle::inner: {
            const double between = 20 / f.db_per_px - outwards;
            if (between < 4) return;
            f.db_per_px = 20 / between;
            break;
        }
        case Handle::zero:
            f.zero_deg = std::fmod(f.zero_deg + (right - up) + 360, 360);
            break;
    }
    emit moved(chosen_, f);
}

void ChartCanvas::keyPressEvent(QKeyEvent* e) {
    const double step = e->modifiers() & Qt::ShiftModifier ? 5 : 0.5;
    switch (e->key()) {
        case Qt::Key_Left:
            return nudge(-step, 0);
        case Qt::Key_Right:
            return nudge(step, 0);
        case Qt::Key_Up:
            return nudge(0, step);
        case Qt::Key_Down:
            return nudge(0, -step);
        case Qt::Key_Space:
            grip_ = static_cast<Handle>((static_cast<int>(grip_) + 1) % handles);
            return update();
        case Qt::Key_Backspace:
            return emit undrawn();
        case Qt::Key_Escape:
            if (!picking_ && !drawing_) return QWidget::keyPressEvent(e);
            pick_colour(false);
            draw(false);
            return update();
        case Qt::Key_0:
            return fit();
        default:
            QWidget::keyPressEvent(e);
    }
}

void ChartCanvas::resizeEvent(QResizeEvent*) {
    if (fitted_) fit();
}

void ChartCanvas::paint_curve(QPainter& p, const TracedChart& chart, const ChartFrame& f) const {
    if (!chart.curve || moving_) return;
    const auto at = [&](int degree) {
        return on_ring(f, f.radius_px(chart.curve->cut[degree] + chart.curve->peak_db),
                       f.direction_deg(degree));
    };
    const auto& colours = theme();
    for (int degree = 0; degree < 360; degree += 2) {
        const bool guessed = chart.curve->guessed[static_cast<std::size_t>(degree)];
        p.setPen(QPen(guessed ? colours.near : colours.band(band_).solid, guessed ? 2.4 : 2,
                      guessed ? Qt::DotLine : Qt::SolidLine));
        p.drawLine(at(degree), at((degree + 2) % 360));
    }
    p.setPen(QPen(colours.band(band_).solid, 1));
    p.setBrush(colours.tile);
    for (int degree = 0; degree < 360; degree += 10) p.drawEllipse(at(degree), 2, 2);
}

void ChartCanvas::paint_handles(QPainter& p, const ChartFrame& f) const {
    const auto& colours = theme();
    const QPointF middle = px(f.centre_px);
    p.setPen(QPen(colours.accent, grip_ == Handle::centre ? 2.6 : 1.4));
    p.drawLine(middle - QPointF(handle_px, 0), middle + QPointF(handle_px, 0));
    p.drawLine(middle - QPointF(0, handle_px), middle + QPointF(0, handle_px));
    const auto flag = [&](Handle h, const QString& words, Qt::Alignment side) {
        const QPointF at = place_of(f, h);
        p.setPen(QPen(colours.accent, 1.4));
        p.setBrush(h == grip_ ? colours.accent : colours.tile);
        p.drawRect(QRectF(at.x() - 4, at.y() - 4, 8, 8));
        const QFont font = render::font(11, 650);
        const double wide = render::tag_width(words, font);
        const QRectF box(side & Qt::AlignLeft ? at.x() - wide - 9 : at.x() + 9, at.y() - 10, wide,
                         render::tag_height);
        render::draw_tag(p, box, words, font, colours.accent, colours.on_accent);
    };
    flag(Handle::outer, render::figure(f.outer_db) + " dB", Qt::AlignRight);
    flag(Handle::inner, render::figure(f.outer_db - 20) + " dB", Qt::AlignLeft);
    flag(Handle::zero, f.clockwise ? QStringLiteral("0° ↻") : QStringLiteral("0° ↺"), Qt::AlignRight);
}

void ChartCanvas::paint_chart(QPainter& p, int index) const {
    const TracedChart& chart = sheet_->charts[static_cast<std::size_t>(index)];
    const ChartFrame& f = frame(index);
    const auto& colours = theme();
    const bool now = index == chosen_;
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(now ? colours.accent : colours.muted, now ? 1.8 : 1.2));
    p.drawEllipse(px(f.centre_px), f.outer_px * scale_, f.outer_px * scale_);
    if (const double inner = f.radius_px(f.outer_db - 20); now && inner > 2) {
        p.setPen(QPen(colours.accent, 1.2, Qt::DashLine));
        p.drawEllipse(px(f.centre_px), inner * scale_, inner * scale_);
    }
    paint_curve(p, chart, f);
    paint_drawn(p, chart);
    if (now) paint_handles(p, f);
    const QString words = chart.use == ChartUse::azimuth     ? tr("azimuth")
                          : chart.use == ChartUse::elevation ? tr("elevation")
                                                             : tr("not used");
    render::draw_halo_text(p, on_ring(f, f.outer_px + 26 / scale_, 180), words, render::font(12, 650),
                           now ? colours.accent : colours.muted, QColor(Qt::white), 4);
}

/// What was told by hand, and what is being told.
void ChartCanvas::paint_drawn(QPainter& p, const TracedChart& chart) const {
    const auto& colours = theme();
    const auto paint = [&](const std::vector<Point>& line) {
        p.setPen(QPen(colours.accent, 1.6));
        p.setBrush(colours.tile);
        if (line.size() == 1) p.drawRect(QRectF(px(line[0]).x() - 3, px(line[0]).y() - 3, 6, 6));
        QPolygonF way;
        for (Point at : line) way << px(at);
        p.setBrush(Qt::NoBrush);
        p.drawPolyline(way);
    };
    for (const auto& line : chart.drawn) paint(line);
    if (&chart == &sheet_->charts[static_cast<std::size_t>(std::max(chosen_, 0))] && !line_.empty())
        paint(line_);
}

/// Where the pointer is on the chosen chart: angle and value.
QString ChartCanvas::pointed_words() const {
    if (chosen_ < 0) return {};
    const ChartFrame& f = frame(chosen_);
    const Point at = in_picture(pointer_);
    const double turned = direction_to(f.centre_px, at) - f.zero_deg;
    return QStringLiteral("%1° %2 dB")
        .arg(render::figure(std::remainder(f.clockwise ? turned : -turned, 360)),
             render::figure(f.value_db(distance(at, f.centre_px)), 1));
}

/// What lies under the pointer, four times as large, while a handle is held or a colour picked.
void ChartCanvas::paint_lens(QPainter& p) const {
    if (!(held_ && moving_) && !picking_ && !drawing_ && line_.empty()) return;
    constexpr double radius = 58, larger = 4;
    const QPointF middle(pointer_.x() < width() / 2.0 ? width() - radius - 12 : radius + 12, radius + 12);
    QPainterPath round;
    round.addEllipse(middle, radius, radius);
    p.save();
    p.setClipPath(round);
    p.fillRect(QRectF(middle.x() - radius, middle.y() - radius, 2 * radius, 2 * radius), Qt::white);
    const Point at = in_picture(pointer_);
    const double share = radius / (scale_ * larger);
    p.drawImage(QRectF(middle.x() - radius, middle.y() - radius, 2 * radius, 2 * radius), sheet_->image,
                QRectF(at.x - share, at.y - share, 2 * share, 2 * share));
    p.restore();
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(theme().ink, 1.5));
    p.drawEllipse(middle, radius, radius);
    p.setPen(QPen(theme().accent, 1));
    p.drawLine(middle - QPointF(10, 0), middle + QPointF(10, 0));
    p.drawLine(middle - QPointF(0, 10), middle + QPointF(0, 10));
    const QString words = pointed_words();
    const QFont font = render::font(11, 650);
    const double wide = render::tag_width(words, font);
    render::draw_tag(p, {middle.x() - wide / 2, middle.y() + radius + 5, wide, render::tag_height}, words,
                     font, theme().ink, theme().paper);
}

void ChartCanvas::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme().chrome);
    if (!sheet_ || sheet_->image.isNull()) return;
    p.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
    p.drawImage(QRectF(shift_, QSizeF(sheet_->image.size()) * scale_), sheet_->image);
    for (int i = 0; i < static_cast<int>(sheet_->charts.size()); ++i)
        if (i != chosen_) paint_chart(p, i);
    if (chosen_ >= 0 && chosen_ < static_cast<int>(sheet_->charts.size())) paint_chart(p, chosen_);
    paint_lens(p);
}

}  // namespace yemvo::app
