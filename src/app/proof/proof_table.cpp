// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proof/proof_table.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QScrollBar>
#include <QToolTip>
#include <set>

#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/going.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "project/project.h"
#include "project/short_title.h"
#include "render/plan_marks.h"
#include "render/requirement_words.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int least_title_width = 138, most_title_width = 240;
constexpr int limit_width = 106, area_width = 40, figure_width = 32, place_gap = 6;
constexpr int head_height = 44, group_height = 20, row_height = 21, scroll_height = 12;
const QString nothing_asked = QStringLiteral("–");

/// As everywhere: rounded down, so that a limit is never shown as kept when it is not.
QString share_text(double share) {
    const QString text = render::share_figure(share);
    return text == "100.0" ? QStringLiteral("100") : text;
}

QString group_title(LensGroup group) {
    return group == LensGroup::service ? tr("Service") : group == LensGroup::air ? tr("Air") : tr("Reach");
}

QString floor_name(const Project& project, const Floor& floor) {
    return QString::fromStdString(short_title(project, floor));
}

}  // namespace

ProofTable::ProofTable(Workspace& workspace, QWidget* parent)
    : QWidget(parent), workspace_(workspace), scroll_(new QScrollBar(Qt::Horizontal, this)) {
    setObjectName("proofTable");
    setAccessibleName(tr("Requirements and what they reach"));
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    scroll_->setFixedHeight(scroll_height);
    connect(scroll_, &QScrollBar::valueChanged, this, qOverload<>(&QWidget::update));
    listen(this, &ProofTable::refresh, workspace.results(), &Results::changed, workspace,
           &Workspace::project_changed, workspace.in_view(), &InView::floor_changed, workspace.selection(),
           &Selection::requirement_chosen);
    refresh();
}

void ProofTable::set_columns(Columns columns) {
    columns_ = columns;
    scroll_->setValue(0);
    refresh();
}

void ProofTable::showEvent(QShowEvent*) { refresh(); }

/// Out of sight nothing is laid out: a drag elsewhere does not pay for it.
void ProofTable::refresh() {
    if (!isVisible() && !rows_.empty()) return;
    rows_.clear();
    places_.clear();
    bands_.clear();
    if (workspace_.document().is_open() && workspace_.results().verdict()) {
        for (const BandResult& b : workspace_.results().verdict()->bands) bands_.push_back(b.band);
        for (LensGroup group : {LensGroup::service, LensGroup::air, LensGroup::reach}) {
            add_rows(group);
            if (group == LensGroup::service && workspace_.results().verdict()->uplink) {
                if (rows_.empty()) rows_.push_back({Row::Kind::group, 0, group_title(group), {}});
                rows_.push_back({Row::Kind::uplink, 0, tr("Uplink in use"), {}});
            }
        }
        if (!rows_.empty()) rows_.push_back({Row::Kind::all, 0, tr("All of them"), {}});
        find_places();
    }
    const QFontMetrics metrics(render::font(12));
    title_width_ = least_title_width;
    for (const Row& r : rows_) title_width_ = std::max(title_width_, metrics.horizontalAdvance(r.title) + 8);
    title_width_ = std::min(title_width_, most_title_width);
    const int beyond = place_x(place_count()) - width();
    scroll_->setVisible(beyond > 0);
    scroll_->setRange(0, std::max(0, beyond));
    scroll_->setPageStep(std::max(1, width() - places_left()));
    setFixedHeight(sizeHint().height());
    update();
}

void ProofTable::add_rows(LensGroup group) {
    const auto& results = workspace_.results().verdict()->requirements;
    const std::size_t before = rows_.size();
    for (std::size_t i = 0; i < results.size(); ++i) {
        const LensInfo& info = required_lens(results[i].requirement);
        if (info.group != group) continue;
        if (rows_.size() == before) rows_.push_back({Row::Kind::group, 0, group_title(group), {}});
        // told apart where several sets ask the same
        const bool again =
            std::ranges::count_if(results, [&](const RequirementResult& r) {
                return r.requirement.lens == results[i].requirement.lens && r.set != results[i].set;
            }) > 0;
        const RequirementSet* set = find_requirement_set(workspace_.project(), results[i].set);
        rows_.push_back({Row::Kind::requirement, i, tr_mark(info.name),
                         again && set ? QString::fromStdString(set->name) : QString()});
    }
}

void ProofTable::find_places() {
    const Project& project = workspace_.project();
    places_.push_back({tr("Venue"), {}, {}});
    if (columns_ == Columns::floors) {
        for (const FloorArea& f : workspace_.results().verdict()->floors)
            if (const Floor* floor = find_floor(project, f.floor))
                places_.push_back({floor_name(project, *floor), f.floor, {}});
        return;
    }
    const Floor* floor = workspace_.floor();
    for (const ZoneArea& z : workspace_.results().verdict()->zones)
        if (floor && z.floor == floor->id)
            if (const Zone* zone = find_zone(*floor, z.zone))
                places_.push_back({QString::fromStdString(zone->name), z.floor, z.zone});
}

const PlaceResult* ProofTable::at(const RequirementResult& r, const Place& place) const {
    if (!place.floor) return r.site.asked > 0 ? &r.site : nullptr;
    for (const PlaceResult& p : place.zone ? r.zones : r.floors)
        if (p.floor == place.floor && p.zone == place.zone) return &p;
    return nullptr;
}

std::optional<ProofTable::Figure> ProofTable::figure(const Row& row, const Place& place, BandId band) const {
    if (row.kind == Row::Kind::group) return std::nullopt;
    if (row.kind == Row::Kind::uplink) {
        if (place.floor) return std::nullopt;
        const UplinkResult& u = *workspace_.results().verdict()->uplink;
        return Figure{u.share(), u.met() ? Outcome::met : Outcome::not_met};
    }
    if (row.kind == Row::Kind::requirement) {
        const RequirementResult& r = result(row);
        const PlaceResult* p = r.requirement.bands.contains(band) ? at(r, place) : nullptr;
        if (!p) return std::nullopt;
        return Figure{p->share_met(band), outcome(p->share_met(band), r.requirement.share_required)};
    }
    const BandResult* all = workspace_.results().verdict()->find(band);
    const Area* area = nullptr;
    if (all && !place.floor && all->demanded_m2 > 0) area = all;
    if (all && place.floor && !place.zone)
        for (const FloorArea& f : all->floors)
            if (f.floor == place.floor) area = &f;
    if (all && place.zone)
        for (const ZoneArea& z : all->zones)
            if (z.zone == place.zone) area = &z;
    if (!area) return std::nullopt;
    return Figure{area->share_met(), outcome(area->share_met(), all->share_required)};
}

QString ProofTable::figure_text(int row, int place, BandId band) const {
    const auto f =
        figure(rows_[static_cast<std::size_t>(row)], places_[static_cast<std::size_t>(place)], band);
    return f ? share_text(f->share) : nothing_asked;
}

int ProofTable::row_of(RequirementId id) const {
    for (std::size_t i = 0; i < rows_.size(); ++i)
        if (rows_[i].kind == Row::Kind::requirement && result(rows_[i]).requirement.id == id)
            return static_cast<int>(i);
    return -1;
}

QString ProofTable::text() const {
    QString out = tr("Requirement\tLimit\tArea");
    for (const Place& p : places_)
        for (BandId b : bands_) out += "\t" + p.name + " " + QString::fromStdString(band(b).name) + " GHz";
    out += "\n";
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        if (rows_[i].kind == Row::Kind::group) continue;
        out += rows_[i].title + (rows_[i].set.isEmpty() ? "" : ", " + rows_[i].set);
        if (rows_[i].kind == Row::Kind::requirement) {
            const Requirement& r = result(rows_[i]).requirement;
            out += "\t" + render::limit_words(r) + "\t" + render::percent(r.share_required, 0);
        } else if (rows_[i].kind == Row::Kind::uplink) {
            out += "\t" + uplink_limit() + "\t";
        } else {
            out += "\t\t";
        }
        for (int p = 0; p < place_count(); ++p)
            for (BandId b : bands_) out += "\t" + figure_text(static_cast<int>(i), p, b);
        out += "\n";
    }
    return out;
}

int ProofTable::places_left() const { return title_width_ + limit_width + area_width; }
int ProofTable::place_width() const {
    constexpr int least = 84;  // for a floor's name
    return std::max(static_cast<int>(bands_.size()) * figure_width, least) + place_gap;
}

/// The venue stays in its place; floors and zones scroll.
int ProofTable::place_x(int place) const {
    return places_left() + place * place_width() - (place > 0 ? scroll_->value() : 0);
}

int ProofTable::row_top(int row) const {
    int y = head_height;
    for (int i = 0; i < row; ++i)
        y += rows_[static_cast<std::size_t>(i)].kind == Row::Kind::group ? group_height : row_height;
    return y;
}

int ProofTable::row_at(int y) const {
    for (int i = 0; i < static_cast<int>(rows_.size()); ++i)
        if (y >= row_top(i) && y < row_top(i + 1)) return i;
    return -1;
}

QSize ProofTable::sizeHint() const {
    return {400, row_top(static_cast<int>(rows_.size())) + (scroll_->maximum() > 0 ? scroll_height + 2 : 2)};
}

QRect ProofTable::figure_rect(int row, int place, BandId band) const {
    const auto i = std::find(bands_.begin(), bands_.end(), band) - bands_.begin();
    const int spare = place_width() - static_cast<int>(bands_.size()) * figure_width;
    const int x = place_x(place) + spare / 2 + static_cast<int>(i) * figure_width;
    return {x, row_top(row), figure_width, row_height};
}

QRect ProofTable::title_rect(int row) const { return {0, row_top(row), places_left(), row_height}; }

std::optional<ProofTable::Cell> ProofTable::cell_at(QPoint at) const {
    const int row = row_at(at.y());
    if (row < 0 || rows_[static_cast<std::size_t>(row)].kind == Row::Kind::group) return std::nullopt;
    for (int p = 0; p < place_count(); ++p) {
        // what scrolled under the venue is not there
        if (p > 0 && at.x() < places_left() + place_width()) break;
        for (std::size_t b = 0; b < bands_.size(); ++b)
            if (figure_rect(row, p, bands_[b]).contains(at)) return Cell{row, p, static_cast<int>(b)};
    }
    return std::nullopt;
}

QString ProofTable::uplink_limit() const {
    return tr("≤ %1 of it").arg(render::percent(workspace_.results().verdict()->uplink->allowed, 0));
}

QString ProofTable::uplink_words() const {
    const UplinkResult& u = *workspace_.results().verdict()->uplink;
    const BusyHour* hour = find_hour(workspace_.project().demand, u.hour);
    return tr("%1: demand takes %2 of the circuit down and %3 up. A click looks at that busy hour")
        .arg(hour ? QString::fromStdString(hour->name) : QString(), render::percent(u.down_share, 0),
             render::percent(u.up_share, 0));
}

void ProofTable::go(const Cell& cell) {
    const Row& row = rows_[static_cast<std::size_t>(cell.row)];
    const Place& place = places_[static_cast<std::size_t>(cell.place)];
    if (row.kind == Row::Kind::uplink)
        return look_at_hour(workspace_, std::string(workspace_.results().verdict()->uplink->hour));
    if (row.kind == Row::Kind::all) {
        if (place.floor) workspace_.in_view().show_floor(place.floor);
        return;
    }
    const RequirementResult& r = result(row);
    const BandId band = bands_[static_cast<std::size_t>(cell.band)];
    const PlaceResult* p = r.requirement.bands.contains(band) ? at(r, place) : nullptr;
    if (!p) return;
    const bool here = p->worst && (r.requirement.any_band || p->worst->band == band);
    // an edit may take the verdict away that these are of
    const Requirement asked = r.requirement;
    const FloorId floor = p->floor ? p->floor : workspace_.floor_id();
    const auto worst = here ? std::optional(p->worst->place) : std::nullopt;
    const std::string hour = p->hour;
    workspace_.selection().choose_requirement(asked.id);
    // what counts clients or radios is of its worst busy hour
    look_at_hour(workspace_, hour);
    look_at(workspace_, asked, asked.any_band ? asked.bands : BandSet(band), floor, worst);
}

void ProofTable::mousePressEvent(QMouseEvent* e) {
    if (e->button() != Qt::LeftButton) return;
    if (const auto cell = cell_at(e->pos())) {
        cursor_ = cell;
        return go(*cell);
    }
    const int row = row_at(e->pos().y());
    if (row >= 0 && rows_[static_cast<std::size_t>(row)].kind == Row::Kind::requirement &&
        e->pos().x() < places_left())
        workspace_.selection().choose_requirement(
            result(rows_[static_cast<std::size_t>(row)]).requirement.id);
}

void ProofTable::mouseMoveEvent(QMouseEvent* e) {
    const auto cell = cell_at(e->pos());
    if (cell == hovered_) return;
    hovered_ = cell;
    setCursor(cell ? Qt::PointingHandCursor : Qt::ArrowCursor);
    update();
}

void ProofTable::leaveEvent(QEvent*) {
    hovered_.reset();
    update();
}

void ProofTable::wheelEvent(QWheelEvent* e) {
    const int across = e->modifiers() & Qt::ShiftModifier ? e->angleDelta().y() : e->angleDelta().x();
    if (across == 0) return e->ignore();
    scroll_->setValue(scroll_->value() - across / 2);
}

void ProofTable::move_cursor(int rows, int cells) {
    if (rows_.empty() || places_.empty() || bands_.empty()) return;
    const int many = static_cast<int>(bands_.size());
    Cell next = cursor_.value_or(Cell{1, 0, 0});
    const int at = std::clamp(next.place * many + next.band + cells, 0, place_count() * many - 1);
    next.place = at / many;
    next.band = at % many;
    const int last = static_cast<int>(rows_.size()) - 1;
    const auto is_group = [&](int row) {
        return rows_[static_cast<std::size_t>(row)].kind == Row::Kind::group;
    };
    int row = std::clamp(next.row + rows, 0, last);
    while (row > 0 && row < last && is_group(row)) row += rows < 0 ? -1 : 1;
    next.row = is_group(row) ? next.row : row;
    cursor_ = next;
    if (next.place > 0) {
        const int left = places_left() + place_width(), x = place_x(next.place);
        if (x < left) scroll_->setValue(scroll_->value() - (left - x));
        if (x + place_width() > width()) scroll_->setValue(scroll_->value() + x + place_width() - width());
    }
    update();
}

void ProofTable::keyPressEvent(QKeyEvent* e) {
    switch (e->key()) {
        case Qt::Key_Up:
            return move_cursor(-1, 0);
        case Qt::Key_Down:
            return move_cursor(1, 0);
        case Qt::Key_Left:
            return move_cursor(0, -1);
        case Qt::Key_Right:
            return move_cursor(0, 1);
        case Qt::Key_Return:
        case Qt::Key_Enter:
            if (cursor_ && cursor_->row < static_cast<int>(rows_.size()) && cursor_->place < place_count())
                go(*cursor_);
            return;
        default:
            QWidget::keyPressEvent(e);
    }
}

void ProofTable::resizeEvent(QResizeEvent*) {
    scroll_->setGeometry(places_left() + place_width(), height() - scroll_height,
                         std::max(0, width() - places_left() - place_width()), scroll_height);
    refresh();
}

bool ProofTable::event(QEvent* e) {
    // copying the table comes before copying what is selected on the plan
    if (e->type() == QEvent::ShortcutOverride && static_cast<QKeyEvent*>(e)->matches(QKeySequence::Copy)) {
        e->accept();
        return true;
    }
    if (e->type() != QEvent::ToolTip) return QWidget::event(e);
    const auto* help = static_cast<QHelpEvent*>(e);
    const auto cell = cell_at(help->pos());
    const int row = row_at(help->pos().y());
    const bool requirement = row >= 0 && rows_[static_cast<std::size_t>(row)].kind == Row::Kind::requirement;
    QString words;
    if (requirement) {
        const RequirementResult& r = result(rows_[static_cast<std::size_t>(row)]);
        const LensInfo& info = required_lens(r.requirement);
        words = said_text(said_joined(". ", requirement_name(r.requirement), said_mark(info.meaning)));
        const PlaceResult* p = cell ? at(r, places_[static_cast<std::size_t>(cell->place)]) : nullptr;
        if (p && p->worst)
            words = tr("Worst: %1 %2 at %3 GHz, limit %4. A click goes there")
                        .arg(render::figure(p->worst->value, 1), tr_mark(info.unit),
                             QString::fromStdString(band(p->worst->band).name),
                             render::limit_words(r.requirement));
    } else if (row >= 0 && rows_[static_cast<std::size_t>(row)].kind == Row::Kind::uplink) {
        words = uplink_words();
    } else if (row >= 0 && rows_[static_cast<std::size_t>(row)].kind == Row::Kind::all) {
        words = tr("The share of the area where every requirement of the band holds at once");
    }
    QToolTip::showText(help->globalPos(), words, this);
    return true;
}

void ProofTable::paint_head(QPainter& p) const {
    const auto& c = theme();
    p.setFont(render::font(11));
    p.setPen(c.muted);
    const int y = head_height - 22;
    p.drawText(QRect(0, y, title_width_, 18), Qt::AlignVCenter, tr("Requirement"));
    p.drawText(QRect(title_width_, y, limit_width, 18), Qt::AlignVCenter, tr("limit"));
    p.drawText(QRect(title_width_ + limit_width, y, area_width, 18), Qt::AlignVCenter, tr("area"));
    p.fillRect(QRect(0, head_height - 1, width(), 1), c.ink);
}

void ProofTable::paint_figure(QPainter& p, const QRect& where, const std::optional<Figure>& f, bool strong,
                              bool joined) const {
    const auto& c = theme();
    p.setFont(render::font(11.5, strong ? 650 : 400));
    if (!f) {
        p.setPen(c.muted);
        p.drawText(where, Qt::AlignCenter, nothing_asked);
        return;
    }
    const QRect mark = where.adjusted(1, 2, -1, -2);
    if (f->outcome == Outcome::not_met) {
        p.fillRect(mark, c.not_met_tint);
        render::paint_hatch(p, mark, render::with_alpha(c.hatch, 0.25), 4);
        p.setFont(render::font(11.5, 650));
    } else if (f->outcome == Outcome::near) {
        p.setPen(QPen(c.near, 1, Qt::DotLine));
        p.setBrush(Qt::NoBrush);
        p.drawRect(QRectF(mark).adjusted(0.5, 0.5, -0.5, -0.5));
    }
    p.setPen(render::outcome_ink(f->outcome, c));
    if (joined) {
        p.drawText(where, Qt::AlignCenter, share_text(f->share));
        p.setPen(QPen(render::with_alpha(theme().ink, 0.45), 1));
        const int y = where.bottom() - 3;
        p.drawLine(where.left() + 6, y, where.right() - 6, y);
        return;
    }
    p.drawText(where.adjusted(0, 0, -3, 0), Qt::AlignRight | Qt::AlignVCenter, share_text(f->share));
}

/// The last of the bands from this one on that share its figure: side by side, and one of them is enough.
std::size_t ProofTable::joined_with(const Row& row, std::size_t band) const {
    if (row.kind == Row::Kind::uplink) return bands_.size() - 1;
    if (row.kind != Row::Kind::requirement) return band;
    const Requirement& r = result(row).requirement;
    if (!r.any_band || !r.bands.contains(bands_[band])) return band;
    while (band + 1 < bands_.size() && r.bands.contains(bands_[band + 1])) ++band;
    return band;
}

void ProofTable::paint_figures(QPainter& p, int row) const {
    const Row& r = rows_[static_cast<std::size_t>(row)];
    for (int place = 0; place < place_count(); ++place) {
        p.setClipRect(QRect(place > 0 ? places_left() + place_width() : 0, 0, width(), height()));
        for (std::size_t b = 0; b < bands_.size(); ++b) {
            const QRect where = figure_rect(row, place, bands_[b]);
            const std::size_t last = joined_with(r, b);
            // one figure for bands of which one is enough
            paint_figure(p, where.united(figure_rect(row, place, bands_[last])),
                         figure(r, places_[static_cast<std::size_t>(place)], bands_[b]),
                         r.kind == Row::Kind::all, last != b || r.kind == Row::Kind::uplink);
            b = last;
        }
        for (const auto& cell : {hovered_, hasFocus() ? cursor_ : std::nullopt}) {
            if (!cell || cell->row != row || cell->place != place ||
                cell->band >= static_cast<int>(bands_.size()))
                continue;
            p.setPen(QPen(theme().accent, 1));
            p.setBrush(Qt::NoBrush);
            p.drawRect(
                figure_rect(row, place, bands_[static_cast<std::size_t>(cell->band)]).adjusted(0, 1, -1, -2));
        }
    }
    p.setClipping(false);
}

void ProofTable::paint_row(QPainter& p, int row) const {
    const auto& c = theme();
    const Row& r = rows_[static_cast<std::size_t>(row)];
    const int y = row_top(row), h = r.kind == Row::Kind::group ? group_height : row_height;
    if (r.kind == Row::Kind::group) {
        p.setFont(render::font(11.5, 600));
        p.setPen(c.ink);
        p.drawText(QRect(0, y, title_width_, h), Qt::AlignVCenter, r.title);
        p.fillRect(QRect(0, y + h - 1, width(), 1), c.line);
        return;
    }
    const bool all = r.kind == Row::Kind::all;
    if (all) p.fillRect(QRectF(0, y - 1, width(), 1.5), c.ink);
    const Requirement* q = r.kind == Row::Kind::requirement ? &result(r).requirement : nullptr;
    if (q && q->id == workspace_.selection().requirement())
        p.fillRect(QRect(0, y, places_left(), h - 1), c.accent_tint);
    p.setPen(c.ink);
    p.setFont(render::font(12, all ? 600 : 400));
    p.drawText(QRect(0, y, title_width_ - 6, h), Qt::AlignVCenter,
               QFontMetrics(p.font()).elidedText(r.title, Qt::ElideRight, title_width_ - 6));
    if (q) {
        const int taken = QFontMetrics(p.font()).horizontalAdvance(r.title) + 7;
        p.setFont(render::font(11.5));
        p.setPen(c.muted);
        p.drawText(QRect(taken, y, title_width_ - taken - 6, h), Qt::AlignVCenter,
                   QFontMetrics(p.font()).elidedText(r.set, Qt::ElideRight, title_width_ - taken - 6));
        p.drawText(QRect(title_width_, y, limit_width, h), Qt::AlignVCenter, render::limit_words(*q));
        p.drawText(QRect(title_width_ + limit_width, y, area_width, h), Qt::AlignVCenter,
                   render::percent(q->share_required, 0));
    }
    if (r.kind == Row::Kind::uplink) {
        p.setFont(render::font(11.5));
        p.setPen(c.muted);
        p.drawText(QRect(title_width_, y, limit_width, h), Qt::AlignVCenter, uplink_limit());
    }
    paint_figures(p, row);
    p.fillRect(QRect(0, y + h - 1, width(), 1), c.line2);
}

void ProofTable::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& c = theme();
    if (rows_.empty()) return;
    paint_head(p);
    const int bottom = row_top(static_cast<int>(rows_.size()));
    for (int place = 0; place < place_count(); ++place) {
        p.setClipRect(QRect(place > 0 ? places_left() + place_width() : 0, 0, width(), height()));
        const int x = place_x(place);
        p.fillRect(QRect(x, 4, 1, bottom - 4), c.line);
        p.setFont(render::font(12, 600));
        p.setPen(c.ink);
        p.drawText(QRect(x + 4, 2, place_width() - 8, 18), Qt::AlignCenter,
                   QFontMetrics(p.font()).elidedText(places_[static_cast<std::size_t>(place)].name,
                                                     Qt::ElideRight, place_width() - 6));
        for (std::size_t b = 0; b < bands_.size(); ++b)
            render::paint_band_glyph(
                p, QPointF(figure_rect(0, place, bands_[b]).center().x() + 6, head_height - 13), bands_[b],
                c);
    }
    p.setClipping(false);
    for (int i = 0; i < static_cast<int>(rows_.size()); ++i) paint_row(p, i);
}

}  // namespace yemvo::app
