// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/spectrum/board_view.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <algorithm>
#include <cmath>
#include <map>

#include "app/look/theme.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/spectrum.h"
#include "app/model/workspace.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr double drag_begins_px = 4;

/// The nearest to a wanted centre, of those as wide.
const OpenChannel* nearest(const std::vector<OpenChannel>& from, double centre, int width_mhz) {
    const OpenChannel* best = nullptr;
    for (const OpenChannel& o : from)
        if (o.permit.channel.width_mhz == width_mhz &&
            (!best || std::abs(centre_mhz(o.permit.channel) - centre) <
                          std::abs(centre_mhz(best->permit.channel) - centre)))
            best = &o;
    return best;
}

/// Round the primary, as wide as is nearest to what is wanted, on the side that is pulled.
const OpenChannel* as_wide(const std::vector<OpenChannel>& from, int primary, double wanted_mhz,
                           bool to_right) {
    const OpenChannel* best = nullptr;
    double best_off = 1e300;
    for (const OpenChannel& o : from) {
        const std::vector<int> inside = primaries(o.permit.channel);
        if (std::ranges::count(inside, primary) == 0) continue;
        const double off = std::abs(std::log2(o.permit.channel.width_mhz / std::max(10.0, wanted_mhz)));
        const double side = (to_right ? -1 : 1) * centre_mhz(o.permit.channel) * 1e-6;
        if (off + side < best_off - 1e-9) best_off = off + side, best = &o;
    }
    return best;
}

}  // namespace

BoardView::BoardView(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    setAttribute(Qt::WA_OpaquePaintEvent);  // it paints all of itself: nothing under it has to be
    setObjectName("spectrumBoard");
    setAccessibleName(tr("Spectrum board"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    const auto anew = [this] {
        old_ = true;
        if (isVisible()) refresh();
    };
    listen(this, anew, workspace.spectrum(), &Spectrum::changed, workspace.spectrum(),
           &Spectrum::chosen_changed, workspace.in_view(), &InView::floor_changed, workspace.document(),
           &Document::opened);
}

void BoardView::stack_by(StackedBy by) {
    stacked_ = by;
    refresh();
}
void BoardView::fill_by_use(bool on) {
    by_use_ = on;
    refresh();
}
void BoardView::show_this_floor_only(bool on) {
    this_floor_ = on;
    refresh();
}
void BoardView::keep_beside(double px) {
    beside_px_ = px;
    arrange();
}

void BoardView::refresh() {
    old_ = false;
    board_ = {};
    refs_.clear();
    radio_of_.clear();
    unshown_ = 0;
    if (!workspace_.document().is_open()) return arrange();
    const SpectrumNow& now = *workspace_.spectrum().now();
    board_.country = workspace_.project().settings.country;
    board_.by_use = by_use_;
    std::map<FloorId, int> order;
    for (const Floor* f : all_floors(workspace_.project())) order[f->id] = static_cast<int>(order.size());
    std::map<std::uint32_t, std::size_t> block_of;
    for (std::uint32_t i = 0; i < now.air.own; ++i) {
        const AirRadio& r = now.air.radios[i];
        const bool here = r.floor == workspace_.floor_id();
        if (this_floor_ && !here) continue;
        const RadioRef ref{r.access_point, r.radio};
        render::BoardBlock b;
        b.channel = r.channel;
        b.primary = r.primary;
        b.label = QString::number(r.number);
        b.order = stacked_ == StackedBy::floor ? order[r.floor] * 100'000 + r.number : r.number;
        b.use = now.air.use[i];
        b.here = here;
        b.selected = workspace_.spectrum().is_chosen(ref);
        b.open = r.channel_open;
        b.lifted = drag_ && drag_->moved && std::ranges::count(drag_->all, ref, &Dragged::radio) > 0;
        if (const AccessPoint* ap = find_access_point(workspace_.project(), r.floor, r.access_point))
            b.locked = ap->radios[r.radio].locked;
        block_of[i] = board_.blocks.size();
        board_.blocks.push_back(std::move(b));
        refs_.push_back(ref);
        radio_of_.push_back(i);
    }
    add_neighbours(now, block_of);
    for (const AirMeeting& m : now.meetings) {
        const auto a = block_of.find(m.a), b = block_of.find(m.b);
        if (a == block_of.end() || b == block_of.end()) continue;
        const bool strong = board_.blocks[a->second].selected || board_.blocks[b->second].selected;
        if (!strong && board_.ties.size() > 40) continue;
        board_.ties.push_back({a->second, b->second, m.lost(), m.how == Sharing::partly, strong});
    }
    arrange();
}

/// Ghosts above the plan's own: the loudest of each band.
void BoardView::add_neighbours(const SpectrumNow& now, std::map<std::uint32_t, std::size_t>& block_of) {
    constexpr int most_a_band = 24;
    std::vector<std::uint32_t> order;
    for (auto i = static_cast<std::uint32_t>(now.air.own); i < now.air.radios.size(); ++i) order.push_back(i);
    std::ranges::stable_sort(order, std::greater{},
                             [&](std::uint32_t i) { return now.air.neighbour(i)->strongest_dbm(); });
    std::map<BandId, int> shown;
    const auto& chosen = workspace_.spectrum().neighbour();
    for (std::uint32_t i : order) {
        const NeighbourRadio& n = *now.air.neighbour(i);
        const auto is_here = [&](const NeighbourRadio::Reading& r) {
            return r.floor == workspace_.floor_id();
        };
        const bool here = std::ranges::any_of(n.readings, is_here);
        if (this_floor_ && !here) continue;
        const bool is_chosen = chosen && std::ranges::any_of(n.readings, [&](const auto& r) {
                                   return r.place == chosen->place && r.index == chosen->index;
                               });
        if (!is_chosen && ++shown[n.channel.band] > most_a_band) {
            ++unshown_;
            continue;
        }
        render::BoardBlock b;
        b.channel = n.channel;
        b.primary = n.primary;
        b.label = now.name(i);
        b.order = 1'000'000'000 + static_cast<int>(-n.strongest_dbm());
        b.use = n.use;
        b.here = here;
        b.selected = is_chosen;
        b.dashed = b.ghost = true;
        block_of[i] = board_.blocks.size();
        board_.blocks.push_back(std::move(b));
        refs_.push_back({});
        radio_of_.push_back(i);
    }
}

void BoardView::arrange() {
    layout_.emplace(board_, QSizeF(width(), parentWidget() ? parentWidget()->height() : height()),
                    beside_px_);
    const int needed = static_cast<int>(std::ceil(layout_->height()));
    if (minimumHeight() != needed) setMinimumHeight(needed);
    update();
    emit arranged_anew();
}

/// Painted once for as long as they stay: hatching and dozens of blocks take most of a frame. A block that is
/// dragged moves others up and down, and leaves the ranges under them as they are.
const QPixmap& BoardView::ground() {
    const auto key = [&](std::size_t of) {
        return qHashMulti(of, width(), height(), devicePixelRatioF(), theme().paper.rgb());
    };
    const std::size_t of = key(render::still_key(board_, *layout_));
    if (of == ground_of_ && !ground_.isNull()) return ground_;
    const std::size_t bare_of = key(render::ground_key(board_, *layout_));
    if (bare_of != bare_of_ || bare_.isNull()) {
        bare_of_ = bare_of;
        bare_ = QPixmap(size() * devicePixelRatioF());
        bare_.setDevicePixelRatio(devicePixelRatioF());
        bare_.fill(theme().field);
        QPainter p(&bare_);
        render::paint_board_ground(p, *layout_, theme());
    }
    ground_of_ = of;
    ground_ = bare_.copy();
    QPainter p(&ground_);
    p.setRenderHint(QPainter::Antialiasing);
    render::paint_board_blocks(p, board_, *layout_, theme(), render::BlockPart::still);
    return ground_;
}

void BoardView::paintEvent(QPaintEvent*) {
    if (old_ || !layout_) refresh();
    QPainter p(this);
    p.drawPixmap(0, 0, ground());
    render::paint_board_blocks(p, board_, *layout_, theme(), render::BlockPart::chosen);
    if (hasFocus()) {
        p.setPen(QPen(theme().accent, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
    }
    if (!drag_ || drag_->words.isEmpty()) return;
    const QFont words = render::font(11.5, 600);
    const double width = render::tag_width(drag_->words, words);
    const QRectF box = layout_->rect(drag_->block);
    const double x =
        std::clamp(box.center().x() - width / 2, 2.0, std::max(2.0, this->width() - width - 2.0));
    const double y =
        box.top() > render::tag_height + 4 ? box.top() - render::tag_height - 3 : box.bottom() + 3;
    render::draw_tag(p, QRectF(x, y, width, render::tag_height), drag_->words, words, theme().ink,
                     theme().paper);
}

void BoardView::resizeEvent(QResizeEvent*) { arrange(); }
void BoardView::showEvent(QShowEvent*) {
    if (old_) refresh();
}
void BoardView::changeEvent(QEvent* e) {
    if (e->type() == QEvent::PaletteChange || e->type() == QEvent::FontChange) arrange();
    QWidget::changeEvent(e);
}

void BoardView::pick(std::size_t block, Qt::KeyboardModifiers keys) {
    if (is_neighbour(block)) return workspace_.spectrum().choose_neighbour(radio_of_[block]);
    const RadioRef ref = refs_[block];
    std::vector<RadioRef> chosen = workspace_.spectrum().chosen();
    if (!(keys & (Qt::ShiftModifier | Qt::ControlModifier))) {
        // a block that is chosen among others stays so, to be dragged with them
        if (workspace_.spectrum().is_chosen(ref)) {
            std::erase(chosen, ref);
            chosen.push_back(ref);
        } else {
            chosen = {ref};
        }
    } else if (workspace_.spectrum().is_chosen(ref)) {
        std::erase(chosen, ref);
    } else {
        chosen.push_back(ref);
    }
    workspace_.spectrum().choose(std::move(chosen));
}

void BoardView::mousePressEvent(QMouseEvent* e) {
    if (e->button() != Qt::LeftButton || !layout_) return QWidget::mousePressEvent(e);
    const auto hit = layout_->hit(e->position());
    if (!hit) return workspace_.spectrum().choose({});
    const RadioRef ref = refs_[hit->block];
    const auto part = hit->part;
    if (is_neighbour(hit->block)) return pick(hit->block, e->modifiers());
    pick(hit->block, e->modifiers());
    // choosing may have gone to another floor, and arranged the board anew
    const auto at = std::ranges::find(refs_, ref);
    if (at != refs_.end() && workspace_.spectrum().is_chosen(ref))
        begin_drag({static_cast<std::size_t>(at - refs_.begin()), part}, e->position());
}

void BoardView::begin_drag(const render::BoardHit& hit, QPointF from) {
    Drag drag{hit.block, hit.part, from, workspace_.document().new_merge_key(), false, {}, {}};
    const BandId id = board_.blocks[hit.block].channel.band;
    std::vector<RadioRef> all{refs_[hit.block]};
    for (const RadioRef& ref : workspace_.spectrum().chosen())
        if (ref != all.front()) all.push_back(ref);
    for (const RadioRef& ref : all) {
        const auto here = radio_here(workspace_, ref);
        if (!here || here->set().channel.band != id) continue;
        if (here->set().locked) {
            if (ref == all.front()) {
                workspace_.tell(tr("The settings of access point %1 are locked: unlock them with L")
                                    .arg(here->ap->number));
                return;
            }
            continue;
        }
        const Radio& set = here->set();
        drag.all.push_back(
            {ref, set.channel, set.primary, set.channel_open, channels_for(workspace_, *here)});
    }
    if (!drag.all.empty()) drag_ = std::move(drag);
}

void BoardView::mouseMoveEvent(QMouseEvent* e) {
    if (drag_) {
        if (!drag_->moved && std::abs(e->position().x() - drag_->from.x()) < drag_begins_px) return;
        drag_->moved = true;
        return drag_to(e->position(), e->modifiers() & Qt::AltModifier);
    }
    const auto hit = layout_ ? layout_->hit(e->position()) : std::nullopt;
    setCursor(!hit                                        ? Qt::ArrowCursor
              : hit->part == render::BoardHit::Part::body ? Qt::OpenHandCursor
                                                          : Qt::SizeHorCursor);
}

void BoardView::drag_to(QPointF to, bool any_channel) {
    const Dragged& first = drag_->all.front();
    const render::BoardLane* lane = layout_->lane(first.channel.band);
    if (!lane) return;
    const double moved_mhz = (to.x() - drag_->from.x()) / lane->px_per_mhz;
    std::vector<Tuned> next;
    std::optional<OpenChannel> shown;
    bool barred = false;
    for (const Dragged& d : drag_->all) {
        const auto here = radio_here(workspace_, d.radio);
        if (!here) continue;
        const std::vector<OpenChannel> all =
            any_channel ? channels_for(workspace_, *here, true) : std::vector<OpenChannel>{};
        const auto& from = any_channel ? all : d.permitted;
        const OpenChannel* wanted = nullptr;
        if (drag_->part == render::BoardHit::Part::body) {
            wanted = nearest(from, centre_mhz(d.channel) + moved_mhz, d.channel.width_mhz);
        } else {
            const bool right = drag_->part == render::BoardHit::Part::right_edge;
            wanted = as_wide(from, d.primary, d.channel.width_mhz + (right ? moved_mhz : -moved_mhz), right);
        }
        if (!wanted) continue;
        const bool as_before = wanted->permit.channel == d.channel;
        const std::vector<int> inside = primaries(wanted->permit.channel);
        const bool keeps =
            drag_->part != render::BoardHit::Part::body && std::ranges::count(inside, d.primary) > 0;
        const int primary = as_before || keeps ? d.primary : wanted->primary;
        next.push_back({d.radio, wanted->permit.channel, primary});
        if (!shown) {
            shown = *wanted;
            shown->primary = primary;
            barred = any_channel &&
                     !permit_of(workspace_.project(), here->place, *here->ap, wanted->permit.channel);
        }
    }
    if (next.empty()) return;
    tune(workspace_, next, drag_->merge_key);
    // the board has been arranged anew
    const auto at = std::ranges::find(refs_, first.radio);
    if (at == refs_.end()) return drag_.reset();
    drag_->block = static_cast<std::size_t>(at - refs_.begin());
    if (shown) tell_drag(*shown, barred);
}

void BoardView::tell_drag(const OpenChannel& wanted, bool barred) {
    QString words = render::local(short_channel_text(wanted.primary, wanted.permit.channel.width_mhz));
    const SpectrumNow& now = *workspace_.spectrum().now();
    const auto i = now.find(drag_->all.front().radio);
    if (barred) {
        words += "   " + tr("barred in this country");
    } else if (i && now.heard) {
        const AirAt at = air_at(now.air, *i, wanted.permit.channel, wanted.primary,
                                workspace_.project().settings.heard_dbm);
        if (at.to.empty())
            words += "   " + tr("meets nobody");
        else
            words +=
                "   " +
                tr("%1 lost, most to %2").arg(render::percent(at.lost, 1)).arg(now.name(at.to.front().first));
    }
    drag_->words = words;
    update();
}

void BoardView::mouseReleaseEvent(QMouseEvent*) {
    if (!drag_) return;
    const bool moved = drag_->moved;
    const RadioRef ref = refs_[drag_->block];
    drag_.reset();
    refresh();
    // a plain click on one of several leaves that one
    if (!moved && workspace_.spectrum().chosen().size() > 1 &&
        !(QGuiApplication::keyboardModifiers() & (Qt::ShiftModifier | Qt::ControlModifier)))
        workspace_.spectrum().choose({ref});
}

void BoardView::cancel_drag() {
    if (!drag_) return;
    std::vector<Tuned> back;
    for (const Dragged& d : drag_->all) back.push_back({d.radio, d.channel, d.primary});
    if (drag_->moved) tune(workspace_, back, drag_->merge_key);
    drag_.reset();
    refresh();
}

void BoardView::step(int direction) {
    std::vector<Tuned> next;
    for (const RadioRef& ref : workspace_.spectrum().chosen()) {
        const auto here = radio_here(workspace_, ref);
        if (!here || here->set().locked) continue;
        const Radio& set = here->set();
        const OpenChannel* best = nullptr;
        const std::vector<OpenChannel> all = channels_for(workspace_, *here);
        for (const OpenChannel& o : all) {
            if (o.permit.channel.width_mhz != set.channel.width_mhz) continue;
            const double off = direction * (centre_mhz(o.permit.channel) - centre_mhz(set.channel));
            if (off > 1e-6 &&
                (!best || off < direction * (centre_mhz(best->permit.channel) - centre_mhz(set.channel))))
                best = &o;
        }
        if (best) next.push_back({ref, best->permit.channel, best->primary});
    }
    tune(workspace_, next);
}

void BoardView::widen(int direction) {
    std::vector<Tuned> next;
    for (const RadioRef& ref : workspace_.spectrum().chosen()) {
        const auto here = radio_here(workspace_, ref);
        if (!here || here->set().locked) continue;
        const Radio& set = here->set();
        const double wanted = direction > 0 ? set.channel.width_mhz * 2.0 : set.channel.width_mhz / 2.0;
        const std::vector<OpenChannel> all = channels_for(workspace_, *here);
        const OpenChannel* o = as_wide(all, set.primary, wanted, true);
        if (o && o->permit.channel.width_mhz == static_cast<int>(wanted))
            next.push_back({ref, o->permit.channel, set.primary});
    }
    tune(workspace_, next);
}

void BoardView::choose_next(int direction) {
    if (refs_.empty()) return;
    const auto current = workspace_.spectrum().current();
    auto at = current ? std::ranges::find(refs_, *current) : refs_.end();
    if (!current && workspace_.spectrum().neighbour())
        for (std::size_t b = 0; b < refs_.size(); ++b)
            if (is_neighbour(b) && board_.blocks[b].selected)
                at = refs_.begin() + static_cast<std::ptrdiff_t>(b);
    if (at == refs_.end()) return pick(0, Qt::NoModifier);
    // from lane to lane along the axis, and up in each stack
    std::vector<std::size_t> order(refs_.size());
    for (std::size_t i = 0; i < order.size(); ++i) order[i] = i;
    std::ranges::stable_sort(order, {}, [&](std::size_t i) {
        return std::tuple(board_.blocks[i].channel.band, layout_->rect(i).center().x(),
                          -layout_->rect(i).top());
    });
    const auto place = std::ranges::find(order, static_cast<std::size_t>(at - refs_.begin())) - order.begin();
    const auto next =
        std::clamp<std::ptrdiff_t>(place + direction, 0, static_cast<std::ptrdiff_t>(order.size()) - 1);
    pick(order[static_cast<std::size_t>(next)], Qt::NoModifier);
}

void BoardView::keyPressEvent(QKeyEvent* e) {
    const bool wide = e->modifiers() & Qt::ShiftModifier;
    switch (e->key()) {
        case Qt::Key_Left:
            return wide ? widen(-1) : step(-1);
        case Qt::Key_Right:
            return wide ? widen(+1) : step(+1);
        case Qt::Key_Up:
            return choose_next(+1);
        case Qt::Key_Down:
            return choose_next(-1);
        case Qt::Key_L:
            if (!workspace_.spectrum().chosen().empty())
                toggle_locked(workspace_, workspace_.spectrum().chosen());
            return;
        case Qt::Key_Escape:
            if (drag_) return cancel_drag();
            break;
        default:
            break;
    }
    QWidget::keyPressEvent(e);
}

QString BoardView::neighbour_words(std::uint32_t radio) const {
    const SpectrumNow& now = *workspace_.spectrum().now();
    if (radio >= now.air.radios.size()) return {};
    const NeighbourRadio* n = now.air.neighbour(radio);
    if (!n) return {};
    QStringList lines{n->name.empty() ? tr("Neighbour, hidden name")
                                      : tr("Neighbour %1").arg(QString::fromStdString(n->name))};
    lines << tr("%1 to %2 MHz, primary %3")
                 .arg(render::figure(low_mhz(n->channel), 0), render::figure(high_mhz(n->channel), 0))
                 .arg(n->primary);
    lines << tr("heard at %1 dBm at most").arg(render::figure(n->strongest_dbm(), 0));
    lines << tr("sends %1 of the time").arg(render::percent(n->use, 1));
    return lines.join("\n");
}

QString BoardView::words_of(std::size_t block) const {
    if (is_neighbour(block)) return neighbour_words(radio_of_[block]);
    const render::BoardBlock& b = board_.blocks[block];
    const auto here = radio_here(workspace_, refs_[block]);
    if (!here) return {};
    QString words = tr("Access point %1, %2 GHz: %3 to %4 MHz, primary %5, %6 dBm")
                        .arg(here->ap->number)
                        .arg(render::local(band(b.channel.band).name), render::figure(low_mhz(b.channel), 0),
                             render::figure(high_mhz(b.channel), 0))
                        .arg(b.primary)
                        .arg(render::figure(here->set().power_dbm, 0));
    words += "\n" + QString::fromStdString(floor_title(workspace_.project(), *here->floor));
    if (b.open)
        words += "\n" + tr("channel not chosen yet");
    else
        words += "\n" + tr("sends %1 of the time").arg(render::percent(b.use, 1));
    return words;
}

bool BoardView::event(QEvent* e) {
    // its keys go before those of the window
    if (e->type() == QEvent::ShortcutOverride) {
        const int key = static_cast<QKeyEvent*>(e)->key();
        for (int own : {Qt::Key_L, Qt::Key_Left, Qt::Key_Right, Qt::Key_Up, Qt::Key_Down})
            if (key == own) {
                e->accept();
                return true;
            }
    }
    if (e->type() == QEvent::ToolTip && layout_ && !drag_) {
        auto* help = static_cast<QHelpEvent*>(e);
        const auto hit = layout_->hit(QPointF(help->pos()));
        QToolTip::showText(help->globalPos(), hit ? words_of(hit->block) : QString(), this);
        return true;
    }
    return QWidget::event(e);
}

}  // namespace yemvo::app
