// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proof/worst_cards.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <array>

#include "app/look/theme.h"
#include "app/model/going.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/proof/missed_places.h"
#include "app/proof/proof_table.h"
#include "geometry/point.h"
#include "project/project.h"
#include "render/map_choice.h"
#include "render/plan_cutout.h"
#include "render/plan_marks.h"
#include "render/text_style.h"

namespace yemvo::app {
namespace {

constexpr int least_width = 200, picture_height = 100, card_height = 180, gap = 10;

/// Where in a box a place lies, in a word: "north-east", "middle".
QString part_of(const Box& box, Point p) {
    const double across = (p.x - box.low.x) / std::max(box.width(), 1e-9),
                 up = (p.y - box.low.y) / std::max(box.height(), 1e-9);
    const QString ns = up > 0.62 ? "north" : up < 0.38 ? "south" : "";
    const QString ew = across > 0.62 ? "east" : across < 0.38 ? "west" : "";
    if (ns.isEmpty() && ew.isEmpty()) return "middle";
    return ns.isEmpty() || ew.isEmpty() ? ns + ew : ns + "-" + ew;
}

QString where(const Project& project, const WorstPlace& place) {
    const Floor& floor = *find_floor(project, place.floor);
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
    connect(&workspace.results(), &Results::changed, this, &WorstCards::refresh);
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
    const MissedPlaces* missed = workspace_.results().find<MissedPlaces>();
    for (const WorstPlace& place : missed ? missed->places : std::vector<WorstPlace>()) {
        if (count() == room()) break;
        if (find_floor(workspace_.project(), place.floor) &&
            find_requirement(workspace_.project(), place.requirement))
            cards_.push_back(card(place));
    }
    chosen_ = std::clamp(chosen_, 0, std::max(0, count() - 1));
    setVisible(!cards_.empty());
    update();
}

WorstCards::Card WorstCards::card(const WorstPlace& place) const {
    const Project& project = workspace_.project();
    const Requirement& r = *find_requirement(project, place.requirement);
    const LensInfo& info = required_lens(r);
    Card c{place, {}, {}, {}};
    c.words << where(project, place)
            << QString("%1 %2 %3")
                   .arg(QString::fromStdString(info.name), render::figure(place.value, 1),
                        QString::fromStdString(info.unit))
            << render::local(format_area(place.area_m2, project.settings.units)) +
                   (info.more_is_better ? " below " : " above ") +
                   render::figure(r.limit_in(place.band),
                                  r.limit_in(place.band) == std::round(r.limit_in(place.band)) ? 0 : 1)
            << (place.serving ? QString("served by access point %1").arg(place.serving)
                              : QString("not served"));
    if (info.more_is_better && place.value <= value_of_nothing(info))
        c.words[1] = QString::fromStdString(info.name) + ": none";
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
    const WorstPlace& place = cards_[static_cast<std::size_t>(index)].place;
    const Requirement* r = find_requirement(workspace_.project(), place.requirement);
    if (!r) return;
    chosen_ = index;
    workspace_.selection().choose_requirement(r->id);
    look_at(workspace_, *r, r->any_band ? r->bands : BandSet(place.band), place.floor, place.place);
    update();
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
        line(1, 16,
             fits || card.words[1].endsWith("none") ? card.words[1] : card.words[1].section(' ', 0, -2));
        p.setFont(render::font(11.5));
        p.setPen(c.muted);
        line(2, 0, card.words[2]);
        line(3, 0, card.words[3]);
    }
}

}  // namespace yemvo::app
