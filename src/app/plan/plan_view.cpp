// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/plan_view.h"

#include <QApplication>
#include <QElapsedTimer>
#include <QPainterPath>
#include <QTimer>
#include <algorithm>

#include "app/kinds/kind_face.h"
#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/drawings_in_view.h"
#include "app/model/found_findings.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/map_results.h"
#include "app/model/next_things.h"
#include "app/model/probing.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/model/spectrum.h"
#include "app/model/tool_id.h"
#include "app/plan/picking.h"
#include "app/plan/plan_overlay.h"
#include "app/plan/tools.h"
#include "capacity/site_capacity.h"
#include "geometry/point.h"
#include "project/item.h"
#include "project/items.h"
#include "project/project.h"
#include "render/map_choice.h"
#include "render/plan_axes.h"
#include "render/plan_demand.h"
#include "render/plan_loads.h"
#include "render/plan_marks.h"
#include "render/plan_solids.h"
#include "render/plan_spectrum.h"
#include "render/text_style.h"

namespace yemvo::app {
namespace {

constexpr double closest_px_per_m = 2000, farthest_px_per_m = 0.2;
/// Of what is chosen only zones and marks are drawn in the layers.
bool is_not_layered(const Item& item) {
    return item.kind != ItemKind::zone && !kind_face(item.kind).paint_mark;
}

}  // namespace

PlanView::PlanView(Workspace& workspace, QWidget* parent)
    : QWidget(parent),
      workspace_(workspace),
      entry_(new EntryBox(this)),
      next_step_(new NextStepBar(workspace, this)),
      sharpen_(new QTimer(this)),
      drawing_runner_(new DrawingRunner(this)),
      sheets_(std::make_shared<render::SheetCache>(workspace.memory())),
      blink_(new QTimer(this)),
      awaiting_(new QTimer(this)) {
    setObjectName("plan");
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    setAttribute(Qt::WA_OpaquePaintEvent);
    setMinimumSize(300, 200);
    change_tool();
    connect(next_step_, &NextStepBar::asked, this, &PlanView::next_step_asked);
    connect(&workspace.activity(), &Activity::tool_changed, this, &PlanView::change_tool);
    connect(&workspace.in_view(), &InView::floor_changed, this, &PlanView::floor_shown);
    connect(&workspace, &Workspace::project_changed, this, &PlanView::project_edited);
    connect(&workspace.selection(), &Selection::changed, this, [this] {
        std::vector<Item> chosen = workspace_.selection().items();
        std::erase_if(chosen, is_not_layered);
        if (!(chosen == drawn_chosen_)) layers_old_ = true;
        update();
    });
    connect(&workspace.activity(), &Activity::step_changed, this, [this] {
        layers_old_ = heat_old_ = true;
        update();
    });
    connect(&workspace.shown(), &ShownMap::changed, this, [this] {
        heat_old_ = true;
        if (drawn_tint_ != workspace_.shown().demand_tint() || drawn_clients_ != workspace_.shown().clients())
            layers_old_ = true;
        update();
    });
    listen(
        this,
        [this] {
            const FloorPrediction* p = workspace_.results().map_prediction();
            const auto& known = workspace_.results().prediction();
            const HeldAgainst* other = workspace_.results().find<HeldAgainst>();
            const auto of = HeatOf{p ? p->radios : nullptr, other ? other->floor.radios : nullptr};
            if (of == heat_of_ && p) {
                painted_ = known.get();  // what is seen is of this one too
                if (awaiting_->isActive()) update();
                return;
            }
            heat_of_ = of;
            heat_old_ = true;
            awaiting_->stop();
            update();
        },
        workspace.results(), &Results::changed, workspace.results(), &Results::floor_predicted);
    connect(&workspace.next(), &NextThings::changed, this, [this] {
        update();
        emit hint_changed();
    });
    connect(&workspace.found(), &FoundFindings::changed, this, qOverload<>(&QWidget::update));
    connect(&workspace.in_view(), &InView::place_marked, this, [this] {
        if (workspace_.activity().step() == Step::proof && workspace_.in_view().marked_place())
            go_near(*workspace_.in_view().marked_place());
        update();
    });
    connect(&workspace.probing(), &Probing::changed, this, qOverload<>(&QWidget::update));
    connect(
        drawing_runner_, &DrawingRunner::painted, this,
        [this](const PaintedView& view) {
            drawings_ = view;
            drawings_pending_ = !drawing_runner_->is_idle();
            if (const QString fault = view.image.text("fault"); !fault.isEmpty() && fault != drawing_fault_)
                workspace_.tell(fault, true);
            drawing_fault_ = view.image.text("fault");
            if (auto lines = found_lines_->take()) {
                lines_of_ = *lines;
                if (lines_of_.floor == workspace_.floor_id())
                    workspace_.drawings().set_lines(lines_of_.lines);
                emit hint_changed();
            }
            update();
        },
        Qt::QueuedConnection);
    connect(
        drawing_runner_, &DrawingRunner::failed, this,
        [this](const QString& why) {
            drawings_pending_ = false;
            workspace_.tell(why, true);
        },
        Qt::QueuedConnection);
    connect(&workspace.drawings(), &DrawingsInView::changed, this, [this] {
        const bool blinks = workspace_.drawings().comparison().show == Comparison::Show::blink;
        blink_older_ = false;
        blinks ? blink_->start() : blink_->stop();
        layers_old_ = true;
        update();
    });
    awaiting_->setSingleShot(true);
    awaiting_->setInterval(8);
    connect(awaiting_, &QTimer::timeout, this, qOverload<>(&QWidget::update));
    sharpen_->setSingleShot(true);
    sharpen_->setInterval(90);
    connect(sharpen_, &QTimer::timeout, this, [this] {
        layers_old_ = heat_old_ = true;
        update();
    });
    blink_->setInterval(700);
    connect(blink_, &QTimer::timeout, this, [this] {
        blink_older_ = !blink_older_;
        request_drawings();
        update();
    });
    connect(entry_, &EntryBox::confirmed, this, [this] {
        tool_->entered(entry_->typed());
        emit hint_changed();
    });
    connect(entry_, &EntryBox::typed_changed, this, &PlanView::repaint_tool);
    connect(entry_, &EntryBox::backed, this, [this] {
        setFocus();
        tool_->back();
        emit hint_changed();
    });
}

PlanView::~PlanView() = default;

void PlanView::change_tool() {
    if (tool_) tool_->leave();
    key_pointer_.hold(false);
    tool_ = tool_info(workspace_.activity().tool()).make(workspace_, *this);
    setCursor(tool_->cursor());
    emit hint_changed();
    update();
}

void PlanView::repaint_tool() { update_with_map(); }

/// After an edit the next map is a few milliseconds away: painting once with it is better than twice.
void PlanView::update_with_map() {
    if (!awaiting_->isActive()) update();
}

void PlanView::floor_shown() {
    layers_old_ = heat_old_ = true;
    key_pointer_.hold(false);
    tool_->abandon();
    if (fitted_) fit();
    update();
}

void PlanView::project_edited() {
    const Floor* f = workspace_.floor();
    // what a moved access point does not change stays drawn
    if (!f || !(*f == drawn_floor_) || !workspace_.project().wall_types.same(drawn_types_) ||
        !(workspace_.project().display == drawn_display_) || workspace_.project().demand.hour != drawn_hour_)
        layers_old_ = true;
    const bool was_empty = f && !extent(drawn_floor_);
    if (f && fitted_ && (was_empty || !f->drawings.same(drawn_floor_.drawings))) fit();
    if (workspace_.activity().shows_map() && workspace_.results().map_prediction()) awaiting_->start();
    update_with_map();
}

void PlanView::fit() {
    const Floor* f = workspace_.floor();
    Box box{{-2, -2}, {28, 18}};
    if (f)
        if (const auto e = extent(*f)) box = *e;
    const QRectF room = QRectF(rect()).adjusted(24, 18, -24, workspace_.activity().shows_map() ? -100 : -56);
    fitted_ = true;
    set_map_view(render::PlanMap::fit(box.grown(0.6), room), false);
}

void PlanView::zoom(double factor) {
    const QPointF c = rect().center();
    const Point at = map_.to_floor(c);
    render::PlanMap m = map_;
    m.px_per_m = std::clamp(m.px_per_m * factor, farthest_px_per_m, closest_px_per_m);
    m.origin = c - QPointF(at.x * m.px_per_m, -at.y * m.px_per_m);
    set_map_view(m);
}

/// Beside the proof the plan is small: a place is shown with what is round it.
void PlanView::go_near(Point place) {
    constexpr double across_m = 24;
    render::PlanMap m = map_;
    m.px_per_m = std::max(m.px_per_m, width() / across_m);
    m.origin = QPointF(width() / 2.0, (height() - 100) / 2.0) - QPointF(place.x, -place.y) * m.px_per_m;
    set_map_view(m);
}

void PlanView::set_map_view(const render::PlanMap& m, bool by_hand) {
    if (by_hand) fitted_ = false;
    if (m == map_) return;
    map_ = m;
    if (!sharpen_->isActive()) {
        heat_old_ = true;
        if (!layers_cover(m)) layers_old_ = true;
    }
    request_drawings();
    update();
    emit view_changed();
}

void PlanView::resizeEvent(QResizeEvent*) {
    layers_old_ = heat_old_ = true;
    next_step_->place();
    if (fitted_) fit();
}

bool PlanView::layers_cover(const render::PlanMap& m) const {
    if (m.px_per_m != layers_map_.px_per_m) return false;
    const QPointF corner = m.origin - layers_map_.origin;
    return corner.x() <= 0 && corner.y() <= 0 && corner.x() >= -2 * layers_margin_ &&
           corner.y() >= -2 * layers_margin_;
}

void PlanView::redraw_layers() {
    layers_old_ = false;
    const qreal ratio = devicePixelRatioF();
    const Floor* f = workspace_.floor();
    // a pan then only moves the layers; other changes redraw no more than is seen
    layers_margin_ = panning_ ? margin_px : 0;
    const QSize drawn = size() + QSize(2 * layers_margin_, 2 * layers_margin_);
    layers_map_ = {map_.px_per_m, map_.origin + QPointF(layers_margin_, layers_margin_)};
    for (QPixmap* layer : {&under_, &over_}) {
        *layer = QPixmap(drawn * ratio);
        layer->setDevicePixelRatio(ratio);
    }
    over_.fill(Qt::transparent);
    const QRectF all(QPointF(0, 0), drawn);
    QPainter under(&under_);
    under.setRenderHint(QPainter::Antialiasing, false);
    if (!f) {
        under.fillRect(all, theme().paper);
        return;
    }
    drawn_floor_ = *f;
    drawn_types_ = workspace_.project().wall_types;
    drawn_display_ = workspace_.project().display;
    drawn_hour_ = workspace_.project().demand.hour;
    drawn_tint_ = workspace_.shown().demand_tint();
    drawn_clients_ = workspace_.shown().clients();
    drawn_chosen_ = workspace_.selection().items();
    std::erase_if(drawn_chosen_, is_not_layered);
    request_drawings();
    const auto& project = workspace_.project();
    render::paint_ground(under, *f, layers_map_, all, theme(), !workspace_.activity().shows_map());
    QPainter over(&over_);
    over.setRenderHint(QPainter::Antialiasing);
    const auto shown = [&](ItemKind kind) { return is_shown(project, kind); };
    if (shown(ItemKind::slab_area)) render::paint_slab_areas(over, project, *f, layers_map_, theme());
    if (shown(ItemKind::ramp)) render::paint_ramps(over, project, *f, layers_map_, theme());
    if (shown(ItemKind::slab_void)) render::paint_voids(over, *f, layers_map_, theme());
    ZoneId selected;
    for (const Item& item : workspace_.selection().items())
        if (item.kind == Item::Kind::zone) selected = ZoneId{item.id};
    const bool demand = workspace_.activity().step() == Step::demand;
    if (shown(ItemKind::zone) && demand)
        render::paint_demand(under, project, *f, layers_map_, theme(), selected,
                             workspace_.shown().demand_tint());
    else if (shown(ItemKind::zone))
        render::paint_zones(over, *f, layers_map_, theme(), selected, !workspace_.activity().shows_map());
    if (shown(ItemKind::obstacle)) render::paint_obstacles(over, project, *f, layers_map_, all, theme());
    if (shown(ItemKind::wall))
        render::paint_walls(over, project, *f, layers_map_, all, theme(), workspace_.activity().shows_map());
    if (shown(ItemKind::ceiling)) render::paint_ceilings(over, project, *f, layers_map_, theme());
    for (const Item& item : all_items(project, *f))
        if (const KindFace& face = kind_face(item.kind); face.paint_run && shown(item.kind))
            face.paint_run(over, *f, item, layers_map_);
    std::vector<QRectF> taken;
    const bool tuning = workspace_.activity().step() == Step::spectrum;
    const double tag_px =
        workspace_.shown().clients() ? render::load_tag_px
        : tuning ? render::channel_line_px * static_cast<double>(workspace_.shown().map().bands.list().size())
                 : 0;
    for (const AccessPoint& ap : access_points(project, f->id))
        taken.push_back(render::badge_area(layers_map_.to_screen(ap.position)).adjusted(0, 0, 0, tag_px));
    if (shown(ItemKind::zone) && demand)
        render::paint_demand_tags(over, project, *f, layers_map_, theme(), selected, taken);
    else if (shown(ItemKind::zone))
        render::paint_zone_names(over, project, *f, layers_map_, theme(), taken);
    for (const Item& item : all_items(project, *f))
        if (const KindFace& face = kind_face(item.kind); face.paint_mark && shown(item.kind))
            face.paint_mark(over, *f, item, layers_map_.to_screen(corners(project, *f, item).front()),
                            workspace_.selection().has(item));
}

void PlanView::add_guest(PlanGuest* guest) {
    if (std::ranges::find(guests_, guest) == guests_.end()) guests_.push_back(guest);
    update();
}

void PlanView::remove_guest(PlanGuest* guest) {
    std::erase(guests_, guest);
    update();
}

void PlanView::redraw_heat() {
    heat_old_ = false;
    values_.clear();
    painted_map_ = workspace_.shown().map();
    const FloorPrediction* p = workspace_.results().map_prediction();
    if (!p || !workspace_.activity().shows_map()) {
        heat_ = {};
        return;
    }
    QElapsedTimer timer;
    timer.start();
    const qreal ratio = devicePixelRatioF();
    const HeldAgainst* other = workspace_.results().find<HeldAgainst>();
    // with nothing to hold it against the map shows the values themselves
    if (!other || other->floor.floor != p->floor || other->against != painted_map_.against) {
        painted_map_.against = render::Against::nothing;
        painted_map_.other_itself = false;
    }
    values_ = render::map_values(workspace_.project(), *p, painted_map_,
                                 other ? other->project.get() : nullptr, other ? &other->floor : nullptr);
    const render::PlanMap device{map_.px_per_m * ratio, map_.origin * ratio};
    render::paint_heat_map(heat_, *p, values_, painted_map_, device, size() * ratio, theme());
    heat_.setDevicePixelRatio(ratio);
    heat_map_ = map_;
    statistics_ = render::statistics(*p, values_, painted_map_);
    last_map_ms_ = static_cast<double>(timer.nsecsElapsed()) / 1e6;
}

/// Whose clients are shown; null where none are asked for.
const HourCapacity* PlanView::hour_on_plan() const {
    if (!workspace_.shown().clients() || workspace_.activity().step() == Step::venue) return nullptr;
    const auto* site = workspace_.results().find<SiteCapacity>();
    return site ? site->find(workspace_.project().demand.hour) : nullptr;
}

void PlanView::paintEvent(QPaintEvent*) {
    QElapsedTimer timer;
    timer.start();
    if (layers_old_) redraw_layers();
    if (heat_old_) redraw_heat();
    QPainter p(this);
    const double ratio = devicePixelRatioF();
    const auto layer = [&](const auto& picture, const render::PlanMap& of, auto draw) {
        const double stretch = map_.px_per_m / of.px_per_m;
        const QPointF corner = map_.origin - of.origin * stretch;
        draw(QRectF(corner, QSizeF(picture.size()) / ratio * stretch));
    };
    if (!layers_cover(map_)) p.fillRect(rect(), theme().paper);
    layer(under_, layers_map_, [&](const QRectF& to) { p.drawPixmap(to, under_, QRectF(under_.rect())); });
    if (!heat_.isNull())
        layer(heat_, heat_map_, [&](const QRectF& to) { p.drawImage(to, heat_, QRectF(heat_.rect())); });
    draw_view(p, drawings_, map_);
    // their names keep to the edges of the view
    if (const Floor* f = workspace_.floor())
        render::paint_axes(p, building_with(workspace_.project(), f->id).axes, map_, rect(), theme());
    layer(over_, layers_map_, [&](const QRectF& to) { p.drawPixmap(to, over_, QRectF(over_.rect())); });
    if (const FloorPrediction* f = workspace_.results().floor_prediction();
        f && f->scene && workspace_.activity().step() == Step::venue && workspace_.floor()->plate.empty())
        render::paint_inside_edge(p, f->scene->mask(f->floor), map_, theme());
    p.setRenderHint(QPainter::Antialiasing);
    const FloorPrediction* shown = workspace_.results().map_prediction();
    if (workspace_.shown().map().labels && shown && values_.size() == shown->surface.cells())
        render::paint_value_labels(p, *shown, values_, painted_map_, map_, size(), theme());
    if (const Floor* f = workspace_.floor()) {
        const HourCapacity* hour = hour_on_plan();
        if (hour) render::paint_clients(p, workspace_.project(), *f, *hour, map_, size(), theme());
        const bool tuning = workspace_.activity().step() == Step::spectrum;
        const auto meetings = [&](render::MeetingPart part) {
            if (tuning)
                render::paint_meetings(p, workspace_.project(), *f, workspace_.spectrum().now()->air,
                                       workspace_.spectrum().now()->meetings, workspace_.shown().map().bands,
                                       map_, theme(), part);
        };
        meetings(render::MeetingPart::lines);
        for (const PlanGuest* guest : guests_) guest->paint_below(p, map_);
        tool_->paint(p);
        if (workspace_.activity().shows_map()) paint_probe_ray(p, workspace_, map_);
        for (const bool selected : {false, true}) {
            if (!is_shown(workspace_.project(), ItemKind::access_point)) break;
            for (const AccessPoint& ap : access_points(workspace_.project(), f->id))
                if (std::ranges::none_of(guests_, [&](const PlanGuest* g) { return g->draws(ap.id); }) &&
                    workspace_.selection().has({Item::Kind::access_point, ap.id.value}) == selected)
                    badges_.paint(p, map_.to_screen(ap.position), workspace_.project(), ap,
                                  selected ? render::BadgeState::selected : render::BadgeState::plain, ratio);
        }
        if (hour && is_shown(workspace_.project(), ItemKind::access_point))
            render::paint_loads(p, workspace_.project(), *f, *hour, map_, size(), theme());
        else if (tuning && is_shown(workspace_.project(), ItemKind::access_point))
            render::paint_channels(p, workspace_.project(), *f, workspace_.shown().map().bands, map_, size(),
                                   theme());
        meetings(render::MeetingPart::tags);
        for (const PlanGuest* guest : guests_) guest->paint(p, map_);
        paint_decoration(p);
    }
    painted_ = workspace_.results().prediction().get();
    last_paint_ms_ = static_cast<double>(timer.nsecsElapsed()) / 1e6;
}

void PlanView::paint_decoration(QPainter& p) {
    if (!workspace_.activity().shows_map())
        for (const FindingMark& mark :
             finding_marks(*workspace_.found().all(), workspace_.floor_id(), map_, size()))
            finding_stamps_.paint(p, mark, devicePixelRatioF());
    paint_marked_place(p, workspace_, map_);
    paint_probes(p, workspace_, map_);
    key_pointer_.paint(p, map_, theme());
    render::paint_scale_bar(p, QPointF(24, height() - 18), map_, workspace_.units(), theme());
    render::paint_north(p, QPointF(190, height() - 24), theme());
    if (!values_.empty()) legend().paint(p, statistics_, theme());
    if (workspace_.activity().step() == Step::demand)
        render::paint_demand_legend(p, QPointF(width() - 24, height() - 10), theme(),
                                    workspace_.shown().demand_tint());
}

PointerEvent PlanView::pointer(const QMouseEvent& e, Qt::MouseButton button) const {
    // nothing can be drawn farther out than a project file may hold
    constexpr double farthest_m = 9e4;
    Point at = map_.to_floor(e.position());
    at = {std::clamp(at.x, -farthest_m, farthest_m), std::clamp(at.y, -farthest_m, farthest_m)};
    return {e.position(), at, e.modifiers(), button};
}

render::LegendLayout PlanView::legend() const {
    render::LegendLayout layout(QPointF(width(), height()), painted_map_);
    if (painted_map_.needs_other()) layout.set_other(workspace_.shown().other_name());
    return layout;
}

bool PlanView::take_legend(QPointF at) {
    if (values_.empty()) return false;
    const render::LegendLayout legend = this->legend();
    if (!legend.frame().contains(at)) return false;
    const QRectF grip = legend.strip().adjusted(-8, -22, 8, 22);
    legend_held_ = legend.has_handle() && grip.contains(at);
    if (legend_held_) drag_legend(at);
    return true;
}

void PlanView::drag_legend(QPointF at) {
    const render::LegendLayout legend = this->legend();
    render::MapChoice choice = workspace_.shown().map();
    choice.threshold = legend.value_at(at.x());
    workspace_.shown().set(choice);
}

void PlanView::mousePressEvent(QMouseEvent* e) {
    setFocus();
    if (key_pointer_.is_held()) hold_key_pointer(false);
    key_pointer_.drop();
    if (e->button() == Qt::MiddleButton || (e->button() == Qt::LeftButton && space_down_)) {
        space_used_ = true;
        panning_ = e->position();
        setCursor(Qt::ClosedHandCursor);
        return;
    }
    if (e->button() != Qt::LeftButton || !workspace_.floor()) return;
    if (take_legend(e->position())) return;
    if (workspace_.activity().tool() == ToolId::select)
        for (PlanGuest* guest : guests_)
            if (guest->press(e->position(), map_)) return;
    tool_->press(pointer(*e, Qt::LeftButton));
    emit hint_changed();
}

void PlanView::mouseMoveEvent(QMouseEvent* e) {
    emit pointer_moved(map_.to_floor(e->position()), true);
    if (!key_pointer_.is_held()) key_pointer_.drop();
    if (panning_) {
        render::PlanMap m = map_;
        m.origin += e->position() - *panning_;
        panning_ = e->position();
        return set_map_view(m);
    }
    if (legend_held_) return drag_legend(e->position());
    if (!workspace_.floor()) return;
    tool_->move(pointer(*e, e->buttons() & Qt::LeftButton ? Qt::LeftButton : Qt::NoButton));
}

void PlanView::mouseReleaseEvent(QMouseEvent* e) {
    if (panning_) {
        panning_.reset();
        setCursor(space_down_ ? Qt::OpenHandCursor : tool_->cursor());
        return;
    }
    if (legend_held_) {
        legend_held_ = false;
        return;
    }
    if (e->button() == Qt::LeftButton && workspace_.floor()) tool_->release(pointer(*e, Qt::LeftButton));
    emit hint_changed();
}

void PlanView::mouseDoubleClickEvent(QMouseEvent* e) {
    if (e->button() != Qt::LeftButton || take_legend(e->position())) return;
    if (!tool_->double_click(pointer(*e, Qt::LeftButton))) fit();
    emit hint_changed();
}

void PlanView::wheelEvent(QWheelEvent* e) {
    const double turns = e->angleDelta().y() / 120.0;
    if (turns == 0) return;
    const Point at = map_.to_floor(e->position());
    render::PlanMap m = map_;
    m.px_per_m = std::clamp(m.px_per_m * std::pow(1.2, turns), farthest_px_per_m, closest_px_per_m);
    m.origin = e->position() - QPointF(at.x * m.px_per_m, -at.y * m.px_per_m);
    sharpen_->start();
    set_map_view(m);
    e->accept();
}

void PlanView::changeEvent(QEvent* e) {
    if (e->type() == QEvent::PaletteChange) {
        layers_old_ = heat_old_ = true;
        wish_ = {};
        update();
    }
    QWidget::changeEvent(e);
}

bool PlanView::event(QEvent* e) {
    if (e->type() == QEvent::KeyPress && static_cast<QKeyEvent*>(e)->key() == Qt::Key_Tab) {
        // Tab goes through the tool's fields before it goes through the window
        if (tool_->key(*static_cast<QKeyEvent*>(e))) return true;
    }
    return QWidget::event(e);
}

void PlanView::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Space) {
        if (e->isAutoRepeat()) return;
        if (e->modifiers() & Qt::ShiftModifier) return hold_key_pointer(!key_pointer_.is_held());
        space_down_ = true;
        space_used_ = false;
        setCursor(Qt::OpenHandCursor);
        return;
    }
    if (key_pointer_.is_held() && move_key_pointer(*e)) {
        // it drags
    } else if (e->key() == Qt::Key_Escape) {
        if (key_pointer_.is_held()) return hold_key_pointer(false);
        if (!tool_->back()) workspace_.activity().set_tool(ToolId::select);
    } else if (tool_->key(*e)) {
        // the tool's own
    } else if (workspace_.activity().tool() == ToolId::select &&
               (e->key() == Qt::Key_Delete || e->key() == Qt::Key_Backspace)) {
        workspace_.selection().remove();
    } else if (!move_key_pointer(*e)) {
        return QWidget::keyPressEvent(e);
    }
    emit hint_changed();
}

/// Space alone clicks where the arrow keys took the pointer; with the mouse it moves the plan.
void PlanView::keyReleaseEvent(QKeyEvent* e) {
    if (e->key() != Qt::Key_Space || e->isAutoRepeat()) return;
    setCursor(tool_->cursor());
    if (std::exchange(space_down_, false) && !space_used_) click_key_pointer();
}

PointerEvent PlanView::key_pointer_event(Qt::MouseButton button) const {
    return {map_.to_screen(*key_pointer_.at()), *key_pointer_.at(), Qt::NoModifier, button};
}

bool PlanView::move_key_pointer(const QKeyEvent& e) {
    if (!workspace_.floor()) return false;
    const QPoint mouse = mapFromGlobal(QCursor::pos());
    const Point start = map_.to_floor(rect().contains(mouse) ? mouse : rect().center());
    if (!key_pointer_.step(e, start, grid_step_m(map_.px_per_m))) return false;
    set_map_view(brought_into_view(map_, *key_pointer_.at(), size()));
    emit pointer_moved(*key_pointer_.at(), true);
    tool_->move(key_pointer_event(key_pointer_.is_held() ? Qt::LeftButton : Qt::NoButton));
    update();
    return true;
}

void PlanView::click_key_pointer() {
    if (!key_pointer_.at() || !workspace_.floor()) return;
    if (key_pointer_.is_held()) return hold_key_pointer(false);
    tool_->press(key_pointer_event(Qt::LeftButton));
    tool_->release(key_pointer_event(Qt::LeftButton));
    update();
    emit hint_changed();
}

void PlanView::hold_key_pointer(bool on) {
    if (!key_pointer_.at() || !workspace_.floor()) return;
    key_pointer_.hold(on);
    on ? tool_->press(key_pointer_event(Qt::LeftButton)) : tool_->release(key_pointer_event(Qt::LeftButton));
    update();
    emit hint_changed();
}

void PlanView::contextMenuEvent(QContextMenuEvent* e) {
    emit menu_asked(e->globalPos(), e->pos());
    emit hint_changed();
}

void PlanView::leaveEvent(QEvent*) { emit pointer_moved({}, false); }

}  // namespace yemvo::app
