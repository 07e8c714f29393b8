// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/section/section_view.h"

#include <QContextMenuEvent>
#include <QKeyEvent>
#include <QMenu>
#include <QMouseEvent>
#include <QPainter>
#include <QTimer>
#include <QToolButton>
#include <QToolTip>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>

#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {

namespace {

constexpr int one_width = 176, several_width = 236;
constexpr double top_px = 48, foot_px = 52, grip_px = 4;

}  // namespace

SectionView::SectionView(Workspace& workspace, QWidget* parent)
    : QWidget(parent), workspace_(workspace), site_(new QToolButton(this)), later_(new QTimer(this)) {
    setObjectName("section");
    setFixedWidth(one_width);
    setMouseTracking(true);
    setFocusPolicy(Qt::TabFocus);
    auto* add = new QToolButton(this);
    add->setObjectName("addFloor");
    add->setIcon(icon("add", theme().muted));  // seen on both grounds
    add->setToolTip(tr("Add a floor on top"));
    connect(add, &QToolButton::clicked, this, &SectionView::add_floor_asked);
    site_->setObjectName("segment");
    site_->setProperty("tests", "siteButton");
    site_->setText(tr("Site"));
    site_->setCheckable(true);
    site_->setStyleSheet("border-radius: 5px;");
    site_->setToolTip(tr("Buildings and yards from above, to place them against each other (Ctrl 6)"));
    connect(site_, &QToolButton::clicked, this, [this](bool on) { workspace_.in_view().show_site(on); });
    listen(this, &SectionView::refresh, workspace.in_view(), &InView::floor_changed, workspace.results(),
           &Results::changed, workspace.selection(), &Selection::changed, workspace.in_view(),
           &InView::site_changed);
    // the plan goes first in a drag; the verdict, which is drawn here too, mostly comes before this
    later_->setSingleShot(true);
    later_->setInterval(30);
    connect(later_, &QTimer::timeout, this, &SectionView::refresh);
    connect(&workspace, &Workspace::project_changed, this, [this] {
        layout_.reset();
        if (!later_->isActive()) later_->start();
    });
    connect(&workspace.in_view(), &InView::floor_changed, this, &SectionView::scroll_to_open);
    refresh();
}

void SectionView::refresh() {
    later_->stop();
    layout_.reset();
    const bool open = workspace_.document().is_open();
    const bool several = open && workspace_.project().buildings.size() > 1;
    setFixedWidth(several ? several_width : one_width);
    findChild<QToolButton*>("addFloor")->setGeometry(width() - 32, 4, 26, 26);
    const int site_width = std::max(48, site_->sizeHint().width());
    site_->setGeometry(width() - 36 - site_width, 4, site_width, 26);
    site_->setChecked(workspace_.in_view().site_shown());
    site_->setEnabled(open);
    update();
}

SectionLayout SectionView::layout_now() const {
    if (!workspace_.document().is_open()) return {};
    const double room = std::max(120.0, height() - top_px - foot_px);
    if (!layout_) layout_ = lay_out_section(workspace_.project(), QRectF(48, top_px, width() - 60, room));
    SectionLayout layout = *layout_;
    if (!layout.rows || scroll_ == 0) return layout;
    const double by = -std::clamp(scroll_, 0.0, std::max(0.0, layout.height - room));
    for (SectionStorey& s : layout.storeys) {
        s.room.translate(0, by);
        s.slab.translate(0, by);
        for (auto& dot : s.dots) dot.second += QPointF(0, by);
    }
    for (SectionStack& s : layout.stacks) s.area.translate(0, by);
    return layout;
}

void SectionView::scroll_to_open() {
    const SectionLayout layout = layout_now();
    if (!layout.rows) {
        scroll_ = 0;
        return update();
    }
    const double room = std::max(120.0, height() - top_px - foot_px);
    if (const SectionStorey* s = layout.find(workspace_.floor_id())) {
        if (s->room.top() < top_px + 22) scroll_ -= top_px + 44 - s->room.top();
        if (s->slab.bottom() > top_px + room - 22) scroll_ += s->slab.bottom() - (top_px + room - 44);
    }
    scroll_ = std::clamp(scroll_, 0.0, std::max(0.0, layout.height - room));
    update();
}

void SectionView::resizeEvent(QResizeEvent*) {
    layout_.reset();
    scroll_to_open();
}

QRectF SectionView::storey_area(FloorId id) const {
    const SectionLayout layout = layout_now();
    const SectionStorey* s = layout.find(id);
    return s ? s->room : QRectF();
}

QRectF SectionView::slab_area(FloorId id) const {
    const SectionLayout layout = layout_now();
    const SectionStorey* s = layout.find(id);
    return s ? s->slab : QRectF();
}

std::optional<FloorId> SectionView::floor_at(QPointF at) const {
    const SectionLayout layout = layout_now();
    std::optional<FloorId> found;
    for (const SectionStorey& s : layout.storeys)  // a mezzanine comes after the storey it stands in
        if (QRectF(s.room.topLeft(), s.slab.bottomRight()).contains(at)) found = s.floor;
    return found;
}

std::optional<FloorId> SectionView::slab_at(QPointF at) const {
    const SectionLayout layout = layout_now();
    if (layout.rows) return std::nullopt;
    for (const SectionStorey& s : layout.storeys) {
        if (s.yard || s.mezzanine || !s.slab.adjusted(0, -grip_px, 0, grip_px).contains(at)) continue;
        const auto& floors = building_with(workspace_.project(), s.floor).floors;
        std::optional<FloorId> under;
        for (const Floor& f : floors) {
            if (f.id == s.floor) break;
            if (!f.mezzanine) under = f.id;
        }
        return under;
    }
    for (const SectionStack& stack : layout.stacks)
        if (!stack.roof.isEmpty() && stack.roof.adjusted(0, -grip_px, 0, grip_px).contains(at)) {
            std::optional<FloorId> top;
            for (const Floor& f : find_building(workspace_.project(), stack.building)->floors)
                if (!f.mezzanine) top = f.id;
            return top;
        }
    return std::nullopt;
}

void SectionView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& colours = theme();
    p.fillRect(rect(), colours.chrome);
    p.setRenderHint(QPainter::Antialiasing);
    p.setFont(render::font(13, 600));
    p.setPen(colours.ink);
    p.drawText(QRectF(12, 4, 80, 26), Qt::AlignVCenter, tr("Section"));
    if (!workspace_.document().is_open()) return;
    const SectionLayout layout = layout_now();
    if (layout.storeys.empty()) return;
    double foot = top_px;
    for (const SectionStack& s : layout.stacks) foot = std::max(foot, s.area.bottom());
    const bool scrolls = layout.rows && layout.height > height() - top_px - foot_px;
    if (scrolls) {
        p.setClipRect(QRectF(0, top_px - 14, width(), height() - top_px - foot_px + 14));
        foot = height() - foot_px;
    }
    for (const SectionStorey& s : layout.storeys) layout.rows ? paint_row(p, s) : paint_storey(p, s);
    paint_stacks(p, layout);
    paint_held_slab(p, layout);
    p.setClipping(false);
    p.setFont(render::font(11));
    p.setPen(colours.muted);
    QString said = tr("true to scale");
    if (layout.rows)
        said = counted("%n floor, not to scale", "%n floors, not to scale", layout.storeys.size());
    else if (layout.stretch > 1.15 || layout.stretch < 0.87)
        said = tr("heights ×%1").arg(render::figure(layout.stretch, layout.stretch < 3 ? 1 : 0));
    p.drawText(QRectF(48, foot + (layout.stacks.size() > 1 && !layout.rows ? 26 : 6), width() - 52, 16),
               Qt::AlignLeft, said);
}

void SectionView::mousePressEvent(QMouseEvent* e) {
    if (e->button() != Qt::LeftButton || !workspace_.document().is_open()) return;
    if (const auto storey = slab_at(e->position())) {
        const Floor& f = *find_floor(workspace_.project(), *storey);
        drag_ = SlabDrag{*storey, e->position().y(), layout_now().px_per_m, f.height_m,
                         workspace_.document().new_merge_key()};
        return update();
    }
    if (const auto id = floor_at(e->position())) workspace_.in_view().show_floor(*id);
}

void SectionView::mouseMoveEvent(QMouseEvent* e) {
    if (!workspace_.document().is_open()) return;
    if (drag_) {
        const Floor* f = find_floor(workspace_.project(), drag_->storey);
        if (!f) return drag_.reset();
        constexpr double step_m = 0.05, least_m = 1.8;
        const double wanted = drag_->height_m + (drag_->from_y - e->position().y()) / drag_->px_per_m;
        const double height_m = std::max(least_m, std::round(wanted / step_m) * step_m);
        if (std::abs(e->position().y() - drag_->from_y) < 2) return;
        workspace_.edit(
            tr("Change storey height"),
            [&](Project& p) { set_floor(p, f->id, f->name, f->elevation_m, height_m); }, drag_->key);
        return;
    }
    const auto slab = slab_at(e->position());
    if (slab != hovered_slab_) {
        hovered_slab_ = slab;
        update();
    }
    setCursor(slab ? Qt::SizeVerCursor : floor_at(e->position()) ? Qt::PointingHandCursor : Qt::ArrowCursor);
}

void SectionView::mouseReleaseEvent(QMouseEvent*) {
    drag_.reset();
    update();
}

void SectionView::leaveEvent(QEvent*) {
    hovered_slab_.reset();
    update();
}

void SectionView::wheelEvent(QWheelEvent* e) {
    const SectionLayout layout = layout_now();
    if (!layout.rows) return;
    scroll_ = std::clamp(scroll_ - e->angleDelta().y() / 120.0 * 44, 0.0,
                         std::max(0.0, layout.height - std::max(120.0, height() - top_px - foot_px)));
    update();
}

bool SectionView::event(QEvent* e) {
    if (e->type() == QEvent::ToolTip && workspace_.document().is_open()) {
        auto* help = static_cast<QHelpEvent*>(e);
        const auto id = floor_at(help->pos());
        const Floor* f = id ? find_floor(workspace_.project(), *id) : nullptr;
        if (!f) {
            QToolTip::hideText();
            return true;
        }
        const auto one = [&](double m) { return render::local(format_length(m, workspace_.units())); };
        QToolTip::showText(help->globalPos(),
                           tr("%1\nat %2, %3 high")
                               .arg(QString::fromStdString(floor_title(workspace_.project(), *f)),
                                    one(f->elevation_m), one(f->height_m)),
                           this);
        return true;
    }
    return QWidget::event(e);
}

void SectionView::keyPressEvent(QKeyEvent* e) {
    if (!workspace_.floor()) return QWidget::keyPressEvent(e);
    const auto& floors = building_with(workspace_.project(), workspace_.floor_id()).floors;
    const auto here = std::find_if(floors.begin(), floors.end(),
                                   [&](const Floor& f) { return f.id == workspace_.floor_id(); });
    if (e->key() == Qt::Key_Up && here + 1 != floors.end())
        return workspace_.in_view().show_floor((here + 1)->id);
    if (e->key() == Qt::Key_Down && here != floors.begin())
        return workspace_.in_view().show_floor((here - 1)->id);
    QWidget::keyPressEvent(e);
}

void SectionView::contextMenuEvent(QContextMenuEvent* e) {
    if (!workspace_.document().is_open()) return;
    const auto at = floor_at(e->pos());
    if (!at) return;
    const FloorId id = *at;
    const Floor* floor = find_floor(workspace_.project(), id);
    const Building& building = building_with(workspace_.project(), id);
    const QString name = QString::fromStdString(floor->name);
    const auto make = [this](const QString& label, std::function<FloorId(Project&)> edit) {
        FloorId made;
        workspace_.edit(label, [&](Project& p) { made = edit(p); });
        workspace_.in_view().show_floor(made);
    };
    QMenu menu(this);
    menu.setObjectName("sectionMenu");
    menu.addAction(tr("Open"), this, [&] { workspace_.in_view().show_floor(id); });
    menu.addSeparator();
    menu.addAction(tr("Insert a floor above"), this,
                   [&] { make(tr("Insert floor"), [&](Project& p) { return insert_floor_above(p, id); }); });
    menu.addAction(tr("Duplicate…"), this, [&] { emit duplicate_asked(id); });
    if (!floor->mezzanine)
        menu.addAction(tr("Add a mezzanine"), this,
                       [&] { make(tr("Add mezzanine"), [&](Project& p) { return add_mezzanine(p, id); }); });
    menu.addAction(tr("Add a floor below all"), this, [&] {
        make(tr("Add floor below"), [&](Project& p) { return add_floor_below(p, building_with(p, id).id); });
    });
    menu.addSeparator();
    menu.addAction(tr("Align…"), this, [&] { emit align_asked(id); })->setEnabled(building.floors.size() > 1);
    const auto shift = [this, id](int by) {
        workspace_.edit(by > 0 ? tr("Move floor up") : tr("Move floor down"),
                        [&](Project& p) { move_floor(p, id, by); });
    };
    menu.addAction(tr("Move up"), this, [&] { shift(1); })
        ->setEnabled(!floor->mezzanine && floor_above(workspace_.project(), id));
    menu.addAction(tr("Move down"), this, [&] { shift(-1); })
        ->setEnabled(!floor->mezzanine && id != building.floors.front().id);
    menu.addSeparator();
    QAction* remove = menu.addAction(tr("Delete %1").arg(name), this, [&] {
        workspace_.edit(tr("Delete %1").arg(name), [&](Project& p) { remove_floor(p, id); });
    });
    remove->setEnabled(building.floors.size() > 1);
    menu.exec(e->globalPos());
}

}  // namespace yemvo::app
