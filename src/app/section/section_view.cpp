#include "app/section/section_view.h"

#include <QContextMenuEvent>
#include <QKeyEvent>
#include <QMenu>
#include <QMouseEvent>
#include <QPainter>
#include <QToolButton>
#include <algorithm>

#include "app/shell/theme.h"
#include "project/edits.h"
#include "render/plan_marks.h"
#include "render/text_style.h"

namespace yemvo::app {

SectionView::SectionView(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    setObjectName("section");
    setFixedWidth(176);
    setMouseTracking(true);
    setFocusPolicy(Qt::TabFocus);
    auto* add = new QToolButton(this);
    add->setObjectName("addFloor");
    add->setIcon(icon("add", theme().ink));
    add->setToolTip("Add a floor on top");
    add->setGeometry(144, 4, 26, 26);
    connect(add, &QToolButton::clicked, this, &SectionView::add_floor_asked);
    for (auto signal : {&Workspace::project_changed, &Workspace::floor_changed,
                        &Workspace::prediction_changed, &Workspace::selection_changed})
        connect(&workspace, signal, this, qOverload<>(&QWidget::update));
}

SectionLayout SectionView::layout_now() const {
    return lay_out_section(workspace_.project(), QRectF(48, 48, 116, std::max(120, height() - 100)));
}

QRectF SectionView::storey_area(FloorId id) const {
    for (const SectionStorey& s : layout_now().storeys)
        if (s.floor == id) return s.room;
    return {};
}

std::optional<FloorId> SectionView::floor_at(QPointF at) const {
    for (const SectionStorey& s : layout_now().storeys)
        if (at.y() >= s.room.top() && at.y() <= s.slab.bottom()) return s.floor;
    return std::nullopt;
}

void SectionView::paint_share(QPainter& p, const SectionStorey& s, const QRectF& room) {
    const auto& colours = theme();
    const auto& verdict = workspace_.verdict();
    const FloorResult* result = verdict ? verdict->find(s.floor) : nullptr;
    if (!result || placed_access_points(workspace_.project()).empty()) return;
    double required = 0;
    for (const BandResult& b : verdict->bands) required = std::max(required, b.share_required);
    const Outcome o = outcome(result->share_met(), required);
    const QRectF strip(room.left() + 7, room.bottom() - 14, 62, 5);
    p.setPen(QPen(colours.casing, 4));
    p.drawRect(strip);
    p.setPen(Qt::NoPen);
    render::paint_hatch(p, strip, o == Outcome::met ? colours.faint : colours.hatch, 2.6);
    p.setBrush(colours.ink);
    p.drawRect(QRectF(strip.topLeft(), QSizeF(strip.width() * result->share_met(), strip.height())));
    p.setPen(QPen(colours.ink, 1));
    const double tick = strip.left() + strip.width() * required;
    p.drawLine(QPointF(tick, strip.top() - 2), QPointF(tick, strip.bottom() + 2));
    render::draw_halo_text(p, QPointF(room.right() - 6, strip.center().y()),
                           render::percent(result->share_met(), 0), render::font(11.5, 500),
                           render::outcome_ink(o, colours), colours.floor, 4, Qt::AlignRight);
}

void SectionView::paint_storey(QPainter& p, const SectionStorey& s) {
    const auto& colours = theme();
    const Floor& floor = *find_floor(workspace_.project(), s.floor);
    const bool open = s.floor == workspace_.floor_id();
    p.setPen(open ? QPen(colours.accent, 1.4) : QPen(colours.slab, 1));
    p.setBrush(open ? colours.accent_tint : colours.paper);
    p.drawRect(s.room);
    p.setPen(Qt::NoPen);
    p.setBrush(colours.slab);
    p.drawRect(s.slab);
    for (const auto& [from, to] : s.voids_x) {
        p.setBrush(colours.paper);
        p.drawRect(QRectF(from, s.slab.top(), to - from, s.slab.height()));
        QPen dash(colours.muted, 0.8);
        dash.setDashPattern({2, 2});
        p.setPen(dash);
        for (double x : {from, to}) p.drawLine(QPointF(x, s.room.top()), QPointF(x, s.slab.bottom()));
        p.setPen(Qt::NoPen);
    }
    for (const auto& [id, at] : s.dots) {
        const bool selected = open && workspace_.is_selected({Item::Kind::access_point, id.value});
        p.setPen(QPen(selected ? colours.accent : colours.ink, 1.1));
        p.setBrush(selected ? colours.accent : colours.tile);
        p.drawEllipse(at, selected ? 4.4 : 3, selected ? 4.4 : 3);
    }
    const QRectF& room = s.room;
    const QFont name_font = render::font(12, open ? 650 : 500);
    const QString name = QFontMetricsF(name_font).elidedText(QString::fromStdString(floor.name),
                                                             Qt::ElideRight, room.width() - 10);
    const bool tall = room.height() > 46;
    render::draw_halo_text(p, QPointF(room.left() + 7, tall ? room.bottom() - 27 : room.center().y()), name,
                           name_font, open ? colours.accent : colours.ink,
                           open ? colours.accent_tint : colours.paper, 4, Qt::AlignLeft);
    if (tall) paint_share(p, s, room);
    p.setFont(render::font(10.5));
    p.setPen(colours.muted);
    const QString level = (floor.elevation_m > 0   ? "+"
                           : floor.elevation_m < 0 ? ""
                                                   : "±") +
                          render::figure(floor.elevation_m, 2);
    p.drawText(QRectF(0, room.bottom() - 8, 42, 16), Qt::AlignRight | Qt::AlignVCenter, level);
    p.setPen(QPen(colours.muted, 1));
    p.drawLine(QPointF(44, room.bottom()), QPointF(48, room.bottom()));
    if (open) {
        p.setPen(Qt::NoPen);
        p.setBrush(colours.accent);
        const QPointF c(room.right() + 4, room.center().y());
        p.drawPolygon(QPolygonF({c, c + QPointF(6, -5), c + QPointF(6, 5)}));
    }
}

void SectionView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& colours = theme();
    p.fillRect(rect(), colours.chrome);
    p.setRenderHint(QPainter::Antialiasing);
    p.setFont(render::font(13, 600));
    p.setPen(colours.ink);
    p.drawText(QRectF(12, 4, 130, 26), Qt::AlignVCenter, "Section");
    if (!workspace_.document().is_open()) return;
    const SectionLayout layout = layout_now();
    if (layout.storeys.empty()) return;
    const QRectF& ground = layout.storeys.front().slab;
    p.setPen(Qt::NoPen);
    p.setBrush(colours.slab);
    p.drawRect(layout.roof);
    for (const SectionStorey& s : layout.storeys) paint_storey(p, s);
    p.setPen(QPen(colours.slab, 1.4));
    for (double x : {ground.left(), ground.right()})
        p.drawLine(QPointF(x, layout.roof.top()), QPointF(x, ground.bottom()));
    p.setFont(render::font(10.5));
    p.setPen(colours.muted);
    p.drawText(QRectF(0, layout.roof.top() - 8, 42, 16), Qt::AlignRight | Qt::AlignVCenter,
               "+" + render::figure(layout.top_level_m, 2));
    p.setFont(render::font(11));
    p.drawText(QRectF(48, ground.bottom() + 6, 120, 16), Qt::AlignLeft,
               layout.stretch > 1.15
                   ? QString("heights ×%1").arg(render::figure(layout.stretch, layout.stretch < 3 ? 1 : 0))
                   : QString("true to scale"));
}

void SectionView::mousePressEvent(QMouseEvent* e) {
    if (e->button() != Qt::LeftButton) return;
    if (const auto id = floor_at(e->position())) workspace_.show_floor(*id);
}

void SectionView::mouseMoveEvent(QMouseEvent* e) {
    setCursor(floor_at(e->position()) ? Qt::PointingHandCursor : Qt::ArrowCursor);
}

void SectionView::keyPressEvent(QKeyEvent* e) {
    const auto floors = all_floors(workspace_.project());
    const auto here = std::find_if(floors.begin(), floors.end(),
                                   [&](const Floor* f) { return f->id == workspace_.floor_id(); });
    if (e->key() == Qt::Key_Up && here != floors.end() && here + 1 != floors.end())
        return workspace_.show_floor((*(here + 1))->id);
    if (e->key() == Qt::Key_Down && here != floors.end() && here != floors.begin())
        return workspace_.show_floor((*(here - 1))->id);
    QWidget::keyPressEvent(e);
}

void SectionView::contextMenuEvent(QContextMenuEvent* e) {
    const auto id = floor_at(e->pos());
    if (!id) return;
    QMenu menu(this);
    menu.addAction("Open", this, [&] { workspace_.show_floor(*id); });
    menu.addAction("Add a floor on top", this, &SectionView::add_floor_asked);
    const Floor* floor = find_floor(workspace_.project(), *id);
    QAction* remove = menu.addAction("Delete " + QString::fromStdString(floor->name), this, [&] {
        workspace_.edit("Delete " + QString::fromStdString(floor->name),
                        [&](Project& p) { remove_floor(p, *id); });
    });
    remove->setEnabled(all_floors(workspace_.project()).size() > 1);
    menu.exec(e->globalPos());
}

}  // namespace yemvo::app
