// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/first_answer/answer_sheet.h"

#include <QMouseEvent>
#include <QPainter>

#include "app/look/theme.h"
#include "render/plan_marks.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int margin = 20, card_height = 92, row_height = 23, head_height = 26, band_row = 40,
              chart_height = 178;

QString rule_name(AnswerRule rule) {
    switch (rule) {
        case AnswerRule::area:
            return tr("area");
        case AnswerRule::airtime:
            return tr("airtime");
        case AnswerRule::clients:
            return tr("clients");
        case AnswerRule::shared:
            break;
    }
    return tr("shared");
}

void words_at(QPainter& p, const QRectF& r, const QString& text, Qt::Alignment side, double px = 12.5,
              int weight = 400, const QColor& ink = theme().ink) {
    p.setFont(render::font(px, weight));
    p.setPen(ink);
    p.drawText(r, static_cast<int>(Qt::AlignVCenter | side),
               p.fontMetrics().elidedText(text, Qt::ElideRight, static_cast<int>(r.width())));
}

}  // namespace

QString rule_words(const AnswerZone& z) {
    if (z.rule == AnswerRule::shared) return tr("small: from beside it");
    return tr("by %1 at %2 GHz").arg(rule_name(z.rule), QString::fromStdString(band(z.decides).name));
}

AnswerSheet::AnswerSheet(QWidget* parent) : QWidget(parent) {
    setObjectName("answerSheet");
    setAccessibleName(tr("First answer"));
    setMinimumWidth(560);
}

void AnswerSheet::show_answer(const Project& project, const AnswerWish& wish, const FirstAnswer& answer) {
    project_ = project;
    wish_ = wish;
    answer_ = answer;
    nothing_.clear();
    make_charts();
    setMinimumHeight(charts_top() + chart_height + 60);
    update();
}

void AnswerSheet::show_nothing(const QString& why) {
    nothing_ = why;
    charts_.clear();
    setMinimumHeight(200);
    update();
}

void AnswerSheet::make_charts() {
    charts_.clear();
    const auto chart = [&](const QString& title, const QString& below, const auto& values, const auto& name,
                           const auto& put, const auto& is) {
        AnswerChart c{title, below, {}};
        for (const auto& value : values) {
            AnswerTry t;
            t.name = name(value);
            t.wish = wish_;
            put(t.wish, value);
            const FirstAnswer a = first_answer(project_, t.wish);
            t.access_points = a.access_points;
            t.short_of_channels = a.short_of_channels;
            t.chosen = is(value);
            c.tries.push_back(t);
        }
        charts_.push_back(std::move(c));
    };
    const auto figure = [](double v) { return render::figure(v); };
    AnswerBand& five = wish_.bands[band_5.index];
    chart(
        tr("Channel width at 5 GHz, MHz"), tr("wider: fewer of them"), std::vector<int>{20, 40, 80, 160},
        [&](int w) { return figure(w); },
        [](AnswerWish& w, int mhz) { w.bands[band_5.index].width_mhz = mhz; },
        [&](int w) { return w == five.width_mhz; });
    chart(
        tr("Lowest rate, Mbit/s"), tr("lower: more air for beacons"), std::vector<double>{1, 6, 12, 24},
        figure, [](AnswerWish& w, double mbps) { w.lowest_rate_mbps = mbps; },
        [&](double v) { return v == wish_.lowest_rate_mbps; });
    chart(
        tr("Most clients for each radio"), tr("fewer: more radios"), std::vector<double>{15, 25, 40, 60},
        figure, [](AnswerWish& w, double most) { w.most_clients = most; },
        [&](double v) { return v == wish_.most_clients; });
}

std::vector<AnswerSheet::Card> AnswerSheet::cards() const {
    int by_air = 0, by_clients = 0;
    for (const AnswerZone& z : answer_.zones) {
        by_air += z.rule == AnswerRule::airtime;
        by_clients += z.rule == AnswerRule::clients;
    }
    const int others = by_air + by_clients;
    const AccessPointModel* counted = nullptr;
    for (const AccessPointModel& m : *project_.models)
        if (m.id == wish_.model) counted = &m;
    int radios = 0;
    QStringList of_bands, names;
    for (const Band& b : bands()) {
        if (!wish_.bands[b.id.index].used) continue;
        radios += answer_.radios[b.id.index];
        of_bands << render::figure(answer_.cell_m2[b.id.index]);
        names << QString::fromStdString(b.name);
    }
    std::vector<Card> all;
    all.push_back({render::figure(answer_.access_points), tr("access points"),
                   others == 0 ? tr("Area rules in every zone.")
                               : counted_text("Area rules, but airtime or clients in %n zone.",
                                              "Area rules, but airtime or clients in %n zones.", others)});
    all.push_back({render::figure(radios), tr("radios"),
                   tr("One covers %1 m² at %2 GHz.").arg(of_bands.join(", "), names.join(", "))});
    const double price = counted ? counted->body.price * answer_.access_points : 0;
    all.push_back({price > 0 ? render::figure(price) : QString("–"), tr("for the access points"),
                   counted ? QString::fromStdString(counted->name) : tr("No model fits")});
    const Uplink& u = project_.demand.uplink;
    all.push_back({render::figure(answer_.site.down_mbps), tr("Mbit/s down"),
                   u.down_mbps <= 0 ? tr("Of the circuit nothing is told.")
                                    : tr("%1 of the circuit, %2 allowed.")
                                          .arg(render::percent(answer_.uplink.down_share, 0),
                                               render::percent(u.allowed, 0))});
    return all;
}

QString AnswerSheet::words() const {
    if (!nothing_.isEmpty()) return nothing_;
    QStringList all;
    for (const Card& c : cards()) all << c.figure + " " + c.unit + ": " + c.words;
    return all.join("\n");
}

int AnswerSheet::floors_top() const { return 14 + card_height + 14; }
int AnswerSheet::bands_top() const {
    return floors_top() + head_height + row_height * static_cast<int>(answer_.floors.size() + 1) + 16;
}
int AnswerSheet::charts_top() const {
    int used = 0;
    for (const AnswerBand& b : wish_.bands) used += b.used;
    return bands_top() + 24 + band_row * used + 14;
}

void AnswerSheet::paint_cards(QPainter& p) const {
    const auto all = cards();
    const double wide = (width() - 2 * margin) / static_cast<double>(all.size());
    for (std::size_t i = 0; i < all.size(); ++i) {
        const double x = margin + wide * static_cast<double>(i);
        if (i > 0) p.fillRect(QRectF(x - 8, 14, 1, card_height), theme().line);
        words_at(p, QRectF(x, 12, wide - 16, 26), all[i].figure, Qt::AlignLeft, 18, 650);
        words_at(p, QRectF(x, 37, wide - 16, 17), all[i].unit, Qt::AlignLeft, 11.5, 400, theme().muted);
        p.setFont(render::font(12));
        p.setPen(theme().ink);
        p.drawText(QRectF(x, 56, wide - 16, 50), Qt::TextWordWrap | Qt::AlignLeft, all[i].words);
    }
}

void AnswerSheet::paint_floors(QPainter& p) const {
    const double w = width() - 2 * margin;
    const double at[] = {0, 0.26, 0.36, 0.46, 0.56, 0.66, 0.78};
    const auto cell = [&](int column, double y, const QString& text, int weight, const QColor& ink) {
        const double right = margin + (column + 1 < 7 ? at[column + 1] : 0.78) * w;
        const double left = margin + at[column] * w;
        words_at(p, QRectF(left, y, right - left - 10, row_height), text,
                 column == 0 ? Qt::AlignLeft : Qt::AlignRight, 12.5, weight, ink);
    };
    double y = floors_top();
    const QString heads[] = {tr("Floor"), tr("m²"), tr("people"), tr("clients"), tr("Mbit/s"), tr("needed")};
    for (int c = 0; c < 6; ++c) cell(c, y, heads[c], 400, theme().muted);
    words_at(p, QRectF(margin + at[6] * w, y, 0.22 * w, row_height), tr("because"), Qt::AlignLeft, 12.5, 400,
             theme().muted);
    y += head_height;
    const auto row = [&](const QString& name, const DemandFigures& f, int needed, const QString& why,
                         int weight) {
        p.fillRect(QRectF(margin, y + row_height - 1, w, 1), theme().line2);
        const QString words[] = {name,
                                 render::figure(f.area_m2),
                                 render::figure(f.people),
                                 render::figure(f.clients),
                                 render::figure(f.down_mbps),
                                 render::figure(needed)};
        for (int c = 0; c < 6; ++c) cell(c, y, words[c], c == 0 || c == 5 ? 600 : weight, theme().ink);
        words_at(p, QRectF(margin + at[6] * w, y, 0.22 * w, row_height), why, Qt::AlignLeft, 12, 400,
                 theme().muted);
        y += row_height;
    };
    for (const AnswerFloor& f : answer_.floors) {
        const AnswerZone* most = nullptr;
        for (const AnswerZone& z : answer_.zones)
            if (z.floor == f.floor && (!most || z.access_points > most->access_points)) most = &z;
        QString why = tr("small zones share");
        if (most && most->access_points > 0)
            why =
                tr("%1: %2, %3")
                    .arg(QString::fromStdString(find_zone(*find_floor(project_, f.floor), most->zone)->name))
                    .arg(most->access_points)
                    .arg(rule_name(most->rule));
        row(QString::fromStdString(floor_title(project_, *find_floor(project_, f.floor))), f, f.access_points,
            why, 400);
    }
    p.fillRect(QRectF(margin, y - 1, w, 1.5), theme().ink);
    row(tr("Venue"), answer_.site, answer_.access_points,
        answer_.short_of_channels ? tr("channels do not suffice") : QString(), 600);
}

void AnswerSheet::paint_bands(QPainter& p) const {
    double y = bands_top();
    words_at(p, QRectF(margin, y, width() - 2 * margin, 20), tr("Radios by band"), Qt::AlignLeft, 13, 600);
    words_at(p, QRectF(margin + 112, y + 1, width() - 2 * margin - 112, 20),
             tr("upper bar for area, lower for airtime, zone by zone"), Qt::AlignLeft, 11.5, 400,
             theme().muted);
    y += 24;
    std::vector<double> by_area(band_count(), 0), by_air(band_count(), 0), air(band_count(), 0);
    double most = 1;
    for (std::size_t b = 0; b < band_count(); ++b) {
        for (const AnswerZone& z : answer_.zones) {
            by_area[b] += z.bands[b].by_area;
            by_air[b] += z.bands[b].by_air;
            air[b] += z.bands[b].air;
        }
        most = std::max({most, by_area[b], by_air[b]});
    }
    const double left = margin + 84, wide = (width() - left - margin) * 0.42;
    for (const Band& b : bands()) {
        const std::size_t i = b.id.index;
        if (!wish_.bands[i].used) continue;
        const render::BandColour& colour = theme().band(b.id);
        render::paint_band_glyph(p, QPointF(margin + 6, y + 16), b.id, theme());
        words_at(p, QRectF(margin + 18, y + 6, 66, 20), QString::fromStdString(b.name) + " GHz",
                 Qt::AlignLeft, 12.5, 600);
        p.fillRect(QRectF(left, y + 3, wide * by_area[i] / most, 13), colour.solid);
        p.fillRect(QRectF(left, y + 18, wide * by_air[i] / most, 11), colour.tint);
        p.setPen(colour.solid);
        p.setBrush(Qt::NoBrush);
        p.drawRect(QRectF(left, y + 18, std::max(1.0, wide * by_air[i] / most), 11));
        const double x = left + wide + 14;
        words_at(p, QRectF(x, y + 1, width() - x - margin, 16),
                 tr("Area: %1 dBm, one reaches %2 m, %3 m²")
                     .arg(render::figure(wish_.bands[i].signal_dbm), render::figure(answer_.reach_m[i], 1),
                          render::figure(answer_.cell_m2[i])),
                 Qt::AlignLeft, 12);
        words_at(p, QRectF(x, y + 17, width() - x - margin, 16),
                 tr("Airtime: %1 of a radio's air, %2 radios; %3 channels")
                     .arg(render::percent(air[i], 0), render::figure(by_air[i], 1),
                          render::figure(answer_.channels[i])),
                 Qt::AlignLeft, 12, 400, theme().muted);
        y += band_row;
    }
}

QRect AnswerSheet::bar(std::size_t chart, std::size_t value) const {
    if (chart >= charts_.size() || value >= charts_[chart].tries.size()) return {};
    const double wide = (width() - 2 * margin) / static_cast<double>(charts_.size());
    int most = 1;
    for (const AnswerChart& c : charts_)
        for (const AnswerTry& t : c.tries) most = std::max(most, t.access_points);
    const double each = (wide - 30) / static_cast<double>(charts_[chart].tries.size());
    const double high = 92.0 * charts_[chart].tries[value].access_points / most;
    const double x = margin + wide * static_cast<double>(chart) + each * static_cast<double>(value) + 6;
    const double foot = charts_top() + 24 + 18 + 110;
    return QRectF(x, foot - high, each - 12, high).toRect();
}

void AnswerSheet::paint_charts(QPainter& p) const {
    const double y = charts_top();
    words_at(p, QRectF(margin, y, width() - 2 * margin, 20), tr("What changes the count"), Qt::AlignLeft, 13,
             600);
    const double wide =
        (width() - 2 * margin) / static_cast<double>(std::max<std::size_t>(1, charts_.size()));
    bool any_short = false;
    for (std::size_t c = 0; c < charts_.size(); ++c) {
        const double x = margin + wide * static_cast<double>(c);
        words_at(p, QRectF(x, y + 22, wide - 24, 18), charts_[c].title, Qt::AlignLeft, 12.5, 500);
        for (std::size_t v = 0; v < charts_[c].tries.size(); ++v) {
            const AnswerTry& t = charts_[c].tries[v];
            const QRectF r = bar(c, v);
            any_short = any_short || t.short_of_channels;
            p.setPen(QPen(t.short_of_channels ? theme().not_met : theme().band(band_5).solid, 1));
            p.setBrush(t.chosen ? theme().band(band_5).solid : theme().band(band_5).tint);
            if (t.short_of_channels && !t.chosen) p.setBrush(QBrush(theme().not_met, Qt::BDiagPattern));
            p.drawRect(r);
            words_at(p, QRectF(r.left() - 8, r.top() - 17, r.width() + 16, 16),
                     render::figure(t.access_points), Qt::AlignHCenter, 12, t.chosen ? 600 : 400);
            words_at(p, QRectF(r.left() - 8, r.bottom() + 3, r.width() + 16, 16), t.name, Qt::AlignHCenter,
                     12, t.chosen ? 600 : 400, t.chosen ? theme().accent : theme().ink);
        }
        const double foot = y + 24 + 18 + 110;
        p.fillRect(QRectF(x, foot, wide - 24, 1.5), theme().ink);
        words_at(p, QRectF(x, foot + 20, wide - 24, 16), charts_[c].below, Qt::AlignLeft, 11.5, 400,
                 theme().muted);
    }
    if (any_short)
        words_at(p, QRectF(margin, y + chart_height + 18, width() - 2 * margin, 18),
                 tr("Hatched: more radios share channels then, and do not carry it together"), Qt::AlignLeft,
                 11.5, 400, theme().not_met);
}

void AnswerSheet::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme().paper);
    p.setRenderHint(QPainter::Antialiasing);
    if (!nothing_.isEmpty()) {
        words_at(p, QRectF(margin, 20, width() - 2 * margin, 24), nothing_, Qt::AlignLeft, 13);
        return;
    }
    paint_cards(p);
    paint_floors(p);
    paint_bands(p);
    paint_charts(p);
}

void AnswerSheet::mousePressEvent(QMouseEvent* e) {
    for (std::size_t c = 0; c < charts_.size(); ++c)
        for (std::size_t v = 0; v < charts_[c].tries.size(); ++v)
            if (bar(c, v).adjusted(-6, -18, 6, 22).contains(e->pos())) {
                emit tried(AnswerWish(charts_[c].tries[v].wish));
                return;
            }
}

}  // namespace yemvo::app
