// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proof/worst_cards.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QToolTip>
#include <array>

#include "app/look/theme.h"
#include "app/model/going.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/proof/missed_places.h"
#include "app/proof/proof_table.h"
#include "capacity/worst_clients.h"
#include "geometry/point.h"
#include "project/project.h"
#include "render/map_choice.h"
#include "render/plan_cutout.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int least_width = 200, picture_height = 100, card_height = 180, gap = 10;

/// Where in a box a place lies, in a word: "north-east", "middle".
QString part_of(const Box& box, Point p) {
    const double across = (p.x - box.low.x) / std::max(box.width(), 1e-9),
                 up = (p.y - box.low.y) / std::max(box.height(), 1e-9);
    const QString ns = up > 0.62 ? tr("north") : up < 0.38 ? tr("south") : "";
    const QString ew = across > 0.62 ? tr("east") : across < 0.38 ? tr("west") : "";
    if (ns.isEmpty() && ew.isEmpty()) return tr("middle");
    return ns.isEmpty() || ew.isEmpty() ? ns + ew : ns + "-" + ew;
}

QString where(const Project& project, const WorstPlace& place) {
    const Floor& floor = *find_floor(project, place.floor);
    if (const DeviceRow* row = find_device_row(floor, place.clients.row))
        return QString::fromStdString(row->name);
    if (const Zone* z = find_zone(floor, place.zone))
        return QString::fromStdString(z->name) + ", " + part_of(*bounds(z->outline), place.place);
    const auto box = extent(floor);
    return QString::fromStdString(floor.name) + (box ? ", " + part_of(*box, place.place) : QString());
}

}  // namespace

WorstCards::WorstCards(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    setObjectName("worstPlaces");
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::PointingHandCursor);
    setFixedHeight(card_height);
}

/// As many as have room, all of one width.
int WorstCards::room() const { return std::clamp((width() + gap) / (least_width + gap), 1, 6); }
int WorstCards::card_width() const { return (width() + gap) / std::max(room(), 3) - gap; }

QRect WorstCards::card_rect(int card) const {
    return {card * (card_width() + gap), 0, card_width(), card_height};
}

void WorstCards::refresh() {
    const auto& known = workspace_.results().prediction();
    if (!known || !known->verdict) return;  // a part of a prediction changes nothing here
    cards_.clear();
    for (const WorstPlace& place : shown_places())
        if (find_floor(workspace_.project(), place.floor) &&
            find_requirement(workspace_.project(), place.requirement))
            cards_.push_back(card(place));
    chosen_ = std::clamp(chosen_, 0, std::max(0, count() - 1));
    update();
}

/// Of the project that was predicted, which an edit may have gone on from: areas and clients in turn, as many
/// as have room: neither hides the other.
std::vector<WorstPlace> WorstCards::shown_places() const {
    const Results& results = workspace_.results();
    const MissedPlaces* missed = results.find<MissedPlaces>();
    const SiteCapacity* site = results.find<SiteCapacity>();
    const auto most = static_cast<std::size_t>(room());
    const std::vector<WorstPlace> areas = missed ? missed->places : std::vector<WorstPlace>();
    const std::vector<WorstPlace> clients =
        site ? worst_clients(results.prediction()->project, *results.prediction()->verdict, *site, most)
             : std::vector<WorstPlace>();
    std::vector<WorstPlace> shown;
    for (std::size_t i = 0; shown.size() < most && i < std::max(areas.size(), clients.size()); ++i) {
        if (i < areas.size()) shown.push_back(areas[i]);
        if (i < clients.size() && shown.size() < most) shown.push_back(clients[i]);
    }
    return shown;
}

/// "56 clients", and "worst: Phone, 2 chains, −71 dBm"; of the project that the place is of.
static QStringList client_words(const Project& project, const WorstPlace& place) {
    const WorstPlace::Clients& c = place.clients;
    const QString name = c.profile < project.clients->size()
                             ? QString::fromStdString((*project.clients)[c.profile].name)
                             : QString();
    return {counted("%n client", "%n clients", std::lround(std::max(c.count, 1.0))),
            place.serving ? tr("worst: %1, %2 dBm").arg(name, render::figure(c.signal_dbm)) : name};
}

WorstCards::Card WorstCards::card(const WorstPlace& place) const {
    const Project& project = workspace_.project();
    const Requirement& r = *find_requirement(project, place.requirement);
    const LensInfo& info = required_lens(r);
    Card c{place, {}, {}, {}, {}};
    const QString name = tr_mark(info.name), value = render::figure(place.value, 1);
    const double limit = r.limit_in(place.band);
    c.short_value = QString("%1 %2").arg(name, value);
    const QStringList of_clients = client_words(workspace_.results().prediction()->project, place);
    c.words << where(project, place) << QString("%1 %2 %3").arg(name, value, tr_mark(info.unit));
    if (place.is_of_clients())
        c.words << of_clients[0] + ", " +
                       (place.serving ? tr("access point %1").arg(place.serving) : tr("nobody serves them"))
                << of_clients[1];
    else
        c.words << (info.more_is_better ? tr("%1 below %2") : tr("%1 above %2"))
                       .arg(render::local(format_area(place.area_m2, project.settings.units)),
                            render::figure(limit, limit == std::round(limit) ? 0 : 1))
                << (place.serving ? tr("served by access point %1").arg(place.serving) : tr("not served"));
    if (!place.is_of_clients() && info.more_is_better && place.value <= value_of_nothing(info))
        c.words[1] = c.short_value = tr("%1: none").arg(name);
    const FloorPrediction* p = workspace_.results().prediction()->site.find(place.floor);
    if (!p) return c;
    render::MapChoice choice;
    choice.lens = info.id;
    choice.bands = r.any_band ? r.bands : BandSet(place.band);
    choice.threshold = r.limit_in(place.band);
    choice = render::coloured(choice, project);
    const auto cutout =
        render::plan_cutout(project, *find_floor(project, place.floor), *p, choice, place.place,
                            QSize(card_width(), picture_height), devicePixelRatioF(), theme());
    c.picture = cutout.image;
    c.mark = cutout.map.to_screen(place.place);
    return c;
}

void WorstCards::go(int index) {
    // an edit makes the cards anew
    const WorstPlace place = cards_[static_cast<std::size_t>(index)].place;
    const Requirement* found = find_requirement(workspace_.project(), place.requirement);
    if (!found) return;
    const Requirement r = *found;
    chosen_ = index;
    if (place.is_of_clients()) look_at_hour(workspace_, place.clients.hour);
    workspace_.selection().choose_requirement(r.id);
    look_at(workspace_, r, r.any_band ? r.bands : BandSet(place.band), place.floor, place.place);
    update();
}

bool WorstCards::event(QEvent* e) {
    if (e->type() != QEvent::ToolTip) return QWidget::event(e);
    const auto* help = static_cast<QHelpEvent*>(e);
    for (int i = 0; i < count(); ++i)
        if (card_rect(i).contains(help->pos()))
            QToolTip::showText(help->globalPos(), cards_[static_cast<std::size_t>(i)].words.join('\n'), this);
    return true;
}

void WorstCards::mousePressEvent(QMouseEvent* e) {
    for (int i = 0; i < count(); ++i)
        if (card_rect(i).contains(e->pos())) return go(i);
}

void WorstCards::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Left || e->key() == Qt::Key_Right) {
        chosen_ = std::clamp(chosen_ + (e->key() == Qt::Key_Left ? -1 : 1), 0, std::max(0, count() - 1));
        return update();
    }
    if ((e->key() == Qt::Key_Return || e->key() == Qt::Key_Enter) && chosen_ < count()) return go(chosen_);
    QWidget::keyPressEvent(e);
}

void WorstCards::resizeEvent(QResizeEvent*) { refresh(); }

void WorstCards::changeEvent(QEvent* e) {
    if (e->type() == QEvent::PaletteChange) refresh();
    QWidget::changeEvent(e);
}

void WorstCards::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const auto& c = theme();
    for (int i = 0; i < count(); ++i) {
        const Card& card = cards_[static_cast<std::size_t>(i)];
        const QRectF frame = QRectF(card_rect(i)).adjusted(0.5, 0.5, -0.5, -0.5);
        QPainterPath round;
        round.addRoundedRect(frame, 6, 6);
        p.fillPath(round, c.floor);
        p.save();
        p.setClipPath(round);
        p.drawImage(card_rect(i).topLeft(), card.picture);
        p.restore();
        const QPointF mark = frame.topLeft() + card.mark;
        for (const QPen& pen : {QPen(c.casing, 4.5), QPen(c.accent, 1.8)}) {
            p.setPen(pen);
            p.setBrush(Qt::NoBrush);
            p.drawEllipse(mark, 6.5, 6.5);
        }
        const bool focused = hasFocus() && i == chosen_;
        p.setPen(QPen(focused ? c.accent : c.line, focused ? 1.6 : 1));
        p.drawPath(round);
        p.fillRect(QRectF(frame.left(), frame.top() + picture_height, frame.width(), 1), c.line);
        const QRectF text = frame.adjusted(10, picture_height + 5, -8, 0);
        const auto line = [&](int row, double left, const QString& words) {
            const QRectF at(text.left() + left, text.top() + 18 * row, text.width() - left, 18);
            p.drawText(at, Qt::AlignVCenter,
                       QFontMetricsF(p.font()).elidedText(words, Qt::ElideRight, at.width()));
        };
        p.setFont(render::font(12, 650));
        p.setPen(c.accent);
        line(0, 0, QString::number(i + 1));
        p.setPen(c.ink);
        p.setFont(render::font(12, 500));
        line(0, 16, card.words[0]);
        render::paint_band_glyph(p, QPointF(text.left() + 5, text.top() + 27), card.place.band, c);
        p.setFont(render::font(12, 600));
        p.setPen(render::outcome_ink(card.place.on_floor, c));
        // the unit gives way where there is no room for it
        const bool fits = QFontMetricsF(p.font()).horizontalAdvance(card.words[1]) <= text.width() - 16;
        line(1, 16, fits ? card.words[1] : card.short_value);
        p.setFont(render::font(11.5));
        p.setPen(c.muted);
        line(2, 0, card.words[2]);
        line(3, 0, card.words[3]);
    }
}

}  // namespace yemvo::app
