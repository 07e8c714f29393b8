// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/drawings/sheet_canvas.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>
#include <numbers>

#include "app/look/theme.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr double grip_px = 9, handle_px = 4;

double level_turn_deg(Point a, Point b) {
    const double angle = std::atan2(b.y - a.y, b.x - a.x) * 180 / std::numbers::pi;
    return std::round(angle / 90) * 90 - angle;  // to level or upright, whichever is nearer
}

}  // namespace

SheetCanvas::SheetCanvas(QWidget* parent) : QWidget(parent), runner_(new DrawingRunner(this)) {
    setObjectName("sheetCanvas");
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    setMinimumSize(300, 200);
    connect(
        runner_, &DrawingRunner::painted, this,
        [this](const PaintedView& v) {
            view_ = v;
            fault_.clear();
            update();
        },
        Qt::QueuedConnection);
    connect(
        runner_, &DrawingRunner::failed, this,
        [this](const QString& why) {
            fault_ = why;
            update();
        },
        Qt::QueuedConnection);
}

void SheetCanvas::set_sheet(const render::LaidSheet& sheet) {
    sheet_ = sheet;
    sheet_.crop.clear();
    view_ = {};
    frame_.reset();
    level_from_.reset();
    if (!sheet.crop.empty()) {
        std::vector<Point> turned;
        for (Point p : sheet.crop) turned.push_back(sheet_.placement.apply({p.x, -p.y}));
        frame_ = bounds(turned);
    }
    fitted_ = true;
    fit();
}

void SheetCanvas::change(const render::LaidSheet& sheet) {
    const bool turned = !(sheet.placement == sheet_.placement);
    if (turned && frame_) {  // the frame keeps its middle of the sheet and its size
        const Point middle = sheet.placement.apply(sheet_.placement.invert(frame_->centre()));
        const Point half{frame_->width() / 2, frame_->height() / 2};
        frame_ = Box{middle - half, middle + half};
    }
    sheet_ = sheet;
    sheet_.crop.clear();
    if (turned && fitted_) return fit();
    request();
}

void SheetCanvas::set_mode(Mode mode) {
    mode_ = mode;
    level_from_.reset();
    setCursor(mode == Mode::level ? Qt::CrossCursor : Qt::ArrowCursor);
    update();
}

Box SheetCanvas::turned_box() const {
    const auto& [low, high] = sheet_.source.sheet;
    std::vector<Point> corners;
    for (Point p : {low, high, Point{low.x, high.y}, Point{high.x, low.y}})
        corners.push_back(sheet_.placement.apply({p.x, -p.y}));
    return *bounds(corners);
}

std::vector<Point> SheetCanvas::crop() const {
    if (!frame_) return {};
    std::vector<Point> corners;
    for (Point p : {frame_->low, Point{frame_->high.x, frame_->low.y}, frame_->high,
                    Point{frame_->low.x, frame_->high.y}}) {
        const Point q = sheet_.placement.invert(p);
        corners.push_back({q.x, -q.y});
    }
    return corners;
}

void SheetCanvas::clear_crop() {
    frame_.reset();
    emit crop_changed();
    update();
}

QPointF SheetCanvas::px(Point sheet) const {
    return map_.to_screen(sheet_.placement.apply({sheet.x, -sheet.y}));
}

void SheetCanvas::fit() {
    if (!sheet_.sheet) return;
    const Box box = turned_box();
    fitted_ = true;
    map_ = render::PlanMap::fit(box, QRectF(rect()).adjusted(24, 24, -24, -24));
    request();
}

void SheetCanvas::set_map(const render::PlanMap& map) {
    fitted_ = false;
    map_ = map;
    request();
}

void SheetCanvas::request() {
    update();
    if (!sheet_.sheet || size().isEmpty()) return;
    const double ratio = devicePixelRatioF();
    const render::PlanMap device{map_.px_per_m * ratio, map_.origin * ratio};
    render::LaidSheet sheet = sheet_;
    sheet.opacity = 1;
    sheet.on_dark = is_dark();
    runner_->request(
        [sheet, device, size = size() * ratio](const CancelToken& cancel) {
            return render::paint_sheets({sheet}, device, size, cancel);
        },
        device, ratio);
}

std::optional<SheetCanvas::Grip> SheetCanvas::grip_at(QPointF at) const {
    if (!frame_) return std::nullopt;
    const QRectF r = map_.to_screen(*frame_);
    if (!r.adjusted(-grip_px, -grip_px, grip_px, grip_px).contains(at)) return std::nullopt;
    Grip g;
    if (std::abs(at.x() - r.left()) < grip_px) g.x = -1;
    if (std::abs(at.x() - r.right()) < grip_px) g.x = 1;
    if (std::abs(at.y() - r.bottom()) < grip_px) g.y = -1;  // y points up in the sheet
    if (std::abs(at.y() - r.top()) < grip_px) g.y = 1;
    g.whole = g.x == 0 && g.y == 0;
    return g;
}

void SheetCanvas::mousePressEvent(QMouseEvent* e) {
    setFocus();
    if (!sheet_.sheet) return;
    if (e->button() == Qt::MiddleButton || e->button() == Qt::RightButton) {
        panning_ = e->position();
        return;
    }
    if (e->button() != Qt::LeftButton) return;
    const Point at = map_.to_floor(e->position());
    if (mode_ == Mode::level) {
        if (!level_from_) {
            level_from_ = at;
        } else if (distance(*level_from_, at) * map_.px_per_m > 4) {
            const double turn = level_turn_deg(*level_from_, at);
            level_from_.reset();
            emit level_asked(turn);
        }
        return update();
    }
    held_from_ = at;
    grip_ = grip_at(e->position());
    if (!grip_) {
        grip_ = Grip{1, -1, false, true};
        frame_before_ = Box{at, at};
    } else {
        frame_before_ = *frame_;
    }
}

void SheetCanvas::mouseMoveEvent(QMouseEvent* e) {
    pointer_ = e->position();
    if (panning_) {
        render::PlanMap m = map_;
        m.origin += e->position() - *panning_;
        panning_ = e->position();
        return set_map(m);
    }
    if (mode_ == Mode::level) return update();
    if (!grip_) {
        const auto g = grip_at(e->position());
        setCursor(!g                         ? Qt::CrossCursor
                  : g->whole                 ? Qt::SizeAllCursor
                  : g->x == 0                ? Qt::SizeVerCursor
                  : g->y == 0                ? Qt::SizeHorCursor
                  : (g->x > 0) == (g->y > 0) ? Qt::SizeBDiagCursor
                                             : Qt::SizeFDiagCursor);
        return;
    }
    if (!(e->buttons() & Qt::LeftButton)) return;
    const Point by = map_.to_floor(e->position()) - held_from_;
    const Box all = turned_box();
    Box f = frame_before_;
    if (grip_->fresh) {
        f.include(map_.to_floor(e->position()));
        if (std::max(f.width(), f.height()) * map_.px_per_m < 6) return;
    } else if (grip_->whole) {
        f = {f.low + by, f.high + by};
    } else {
        (grip_->x < 0 ? f.low.x : f.high.x) += grip_->x == 0 ? 0 : by.x;
        (grip_->y < 0 ? f.low.y : f.high.y) += grip_->y == 0 ? 0 : by.y;
        const double least = 8 / map_.px_per_m;
        if (f.width() < least || f.height() < least) return;
    }
    f.low = {std::clamp(f.low.x, all.low.x, all.high.x), std::clamp(f.low.y, all.low.y, all.high.y)};
    f.high = {std::clamp(f.high.x, all.low.x, all.high.x), std::clamp(f.high.y, all.low.y, all.high.y)};
    if (f.width() <= 0 || f.height() <= 0) return;
    frame_ = f;
    emit crop_changed();
    update();
}

void SheetCanvas::mouseReleaseEvent(QMouseEvent*) {
    panning_.reset();
    grip_.reset();
}

void SheetCanvas::mouseDoubleClickEvent(QMouseEvent*) { fit(); }

void SheetCanvas::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape && level_from_) {
        level_from_.reset();
        return update();
    }
    QWidget::keyPressEvent(e);
}

void SheetCanvas::wheelEvent(QWheelEvent* e) {
    const double turns = e->angleDelta().y() / 120.0;
    if (turns == 0 || !sheet_.sheet) return;
    const Point at = map_.to_floor(e->position());
    render::PlanMap m = map_;
    const Box box = turned_box();
    const double whole = std::max(box.width(), box.height());
    m.px_per_m = std::clamp(m.px_per_m * std::pow(1.2, turns), 50 / whole, 200'000 / whole);
    m.origin = e->position() - QPointF(at.x * m.px_per_m, -at.y * m.px_per_m);
    set_map(m);
}

void SheetCanvas::resizeEvent(QResizeEvent*) { fitted_ ? fit() : request(); }

void SheetCanvas::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& c = theme();
    p.fillRect(rect(), c.chrome);
    if (!sheet_.sheet) return;
    p.setRenderHint(QPainter::Antialiasing);
    QPolygonF paper;
    const auto& [low, high] = sheet_.source.sheet;
    for (Point q : {low, Point{high.x, low.y}, high, Point{low.x, high.y}}) paper << px(q);
    p.setPen(QPen(c.line, 1));
    p.setBrush(c.floor);
    p.drawPolygon(paper);
    draw_view(p, view_, map_);
    if (view_.image.isNull()) {
        p.setPen(fault_.isEmpty() ? c.muted : c.not_met);
        p.setFont(render::font(13));
        p.drawText(rect(), Qt::AlignCenter | Qt::TextWordWrap,
                   fault_.isEmpty() ? tr("Painting the sheet…") : fault_);
    }
    if (frame_) {
        const QRectF r = map_.to_screen(*frame_);
        QPainterPath veil;
        veil.addRect(QRectF(rect()));
        veil.addRect(r);
        p.fillPath(veil, render::with_alpha(c.chrome, 0.78));
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(c.accent, 1.6));
        p.drawRect(r);
        p.setBrush(c.tile);
        for (double x : {r.left(), r.center().x(), r.right()})
            for (double y : {r.top(), r.center().y(), r.bottom()})
                if (x != r.center().x() || y != r.center().y())
                    p.drawRect(QRectF(x - handle_px, y - handle_px, 2 * handle_px, 2 * handle_px));
    }
    if (level_from_) {
        const QPointF from = map_.to_screen(*level_from_);
        for (const QPen& pen : {QPen(c.casing, 5), QPen(c.accent, 1.6)}) {
            p.setPen(pen);
            p.drawLine(from, pointer_);
        }
        render::draw_halo_text(
            p, pointer_ + QPointF(14, -12),
            QString("%1°").arg(render::figure(level_turn_deg(*level_from_, map_.to_floor(pointer_)), 2)),
            render::font(11.5, 600), c.accent, c.casing, 4, Qt::AlignLeft);
    }
}

}  // namespace yemvo::app
