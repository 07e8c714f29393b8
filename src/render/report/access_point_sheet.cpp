// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/access_point_sheet.h"

#include "handover/tables.h"
#include "handover/wall_distances.h"
#include "project/short_title.h"
#include "project/working_radio.h"
#include "render/plan_marks.h"
#include "render/report/hanging_picture.h"
#include "render/report/plan_sheet.h"
#include "render/report/print_image.h"
#include "render/report/qr_code.h"
#include "render/report/sections.h"
#include "render/report/styles.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render::report {
namespace {

/// The largest of these at which the walls it is measured from are on the cut-out.
constexpr int cutout_scales[] = {50, 75, 100, 125, 150, 200, 250, 300, 400, 500};

std::vector<WallDistance> distances(const ReportFacts& facts, const Floor& floor, const AccessPoint& ap) {
    return wall_distances(floor, ap.position,
                          [&](const Wall& w) { return wall_type(facts.project(), w.type).thickness_m; });
}

QSizeF cutout_size(const ReportFacts& facts) {
    const QSizeF page = paper_mm(facts.choice().paper) * print_px_per_mm;
    return {page.width() - 2 * margin_x, page.height() * 0.42};
}

int cutout_scale(const ReportFacts& facts, const Floor& floor, const AccessPoint& ap) {
    constexpr double edge_px = 24;
    const QSizeF size = cutout_size(facts);
    const auto walls = distances(facts, floor, ap);
    for (int scale : cutout_scales)
        if (std::ranges::all_of(walls, [&](const WallDistance& d) {
                const double k = px_per_m(scale);
                return std::abs(d.foot.x - ap.position.x) * k < size.width() / 2 - edge_px &&
                       std::abs(d.foot.y - ap.position.y) * k < size.height() / 2 - edge_px;
            }))
            return scale;
    return 100;
}

QString length_words(const ReportFacts& facts, double metres) {
    return local(format_length(metres, facts.project().settings.units));
}

/// A line to a wall with its length beside it.
void paint_distance(QPainter& p, QPointF from, QPointF to, const QString& words) {
    const auto& colours = print_palette();
    p.setPen(QPen(colours.not_met, 1.4));
    p.drawLine(from, to);
    const QPointF d = to - from;
    const double l = std::hypot(d.x(), d.y());
    if (l < 1) return;
    const QPointF across(-d.y() / l * 5, d.x() / l * 5);
    p.drawLine(to - across, to + across);
    // beside the line, not on the badge
    const QPointF middle = from + d * std::max(0.5, std::min(0.8, 26 / l));
    draw_halo_text(p, middle + QPointF(-d.y() / l, d.x() / l) * 14, words, font(12, 650), colours.not_met,
                   colours.casing);
}

void paint_cutout(QPainter& p, const QRectF& box, const ReportFacts& facts, const Floor& floor,
                  const AccessPoint& ap) {
    const int scale = cutout_scale(facts, floor, ap);
    const double k = px_per_m(scale);
    const PlanMap map{k, {box.center().x() - ap.position.x * k, box.center().y() + ap.position.y * k}};
    PlanLook look;
    look.alone = ap.id;
    look.route = run_of(facts.plan, ap.id);
    paint_plan(p, facts, floor, map, box, look);
    p.save();
    p.setClipRect(box);
    for (const WallDistance& d : distances(facts, floor, ap))
        paint_distance(p, map.to_screen(ap.position), map.to_screen(d.foot),
                       length_words(facts, d.distance_m));
    p.restore();
    p.setPen(QPen(print_palette().line, 1));
    p.setBrush(Qt::NoBrush);
    p.drawRect(box);
    paint_scale_bar(p, box.bottomLeft() + QPointF(14, -14), map, facts.project().settings.units,
                    print_palette());
    draw_halo_text(p, box.bottomLeft() + QPointF(14, -46), QString("1 : %1").arg(scale), font(11, 650),
                   print_palette().ink, print_palette().casing, 3, Qt::AlignLeft);
    paint_north(p, box.topRight() + QPointF(-24, 30), print_palette());
}

/// Words and values under each other; what is too long for its line goes on below.
class Facts {
public:
    Facts(QPainter& p, const QRectF& box) : p_(p), box_(box), y_(box.top()) {}
    void head(const QString& words) {
        y_ += y_ > box_.top() ? 12 : 0;
        p_.setFont(font(13, 650));
        p_.setPen(print_palette().accent);
        p_.drawText(QRectF(box_.left(), y_, box_.width(), 20), Qt::AlignLeft | Qt::AlignVCenter, words);
        y_ += 22;
    }
    void row(const QString& words, const QString& value) {
        if (value.isEmpty()) return;
        constexpr double words_width = 112;
        p_.setFont(font(12));
        p_.setPen(print_palette().muted);
        p_.drawText(QRectF(box_.left(), y_, words_width, 18), Qt::AlignLeft | Qt::AlignVCenter, words);
        p_.setPen(print_palette().ink);
        const QRectF room(box_.left() + words_width, y_ + 1, box_.width() - words_width,
                          std::max(17.0, box_.bottom() - y_));
        QRectF used;
        p_.drawText(room, Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, value, &used);
        y_ += std::max(20.0, used.height() + 3);
    }
    double y() const { return y_; }

private:
    QPainter& p_;
    QRectF box_;
    double y_;
};

void hanging_rows(Facts& rows, const ReportFacts& facts, const Floor& floor, const AccessPoint& ap) {
    const AccessPointModel& m = model(facts.project(), ap.model);
    rows.head(tr("Hang"));
    rows.row(tr("Model"), QString::fromStdString(m.name));
    rows.row(tr("Mount"), tr_mark(mount_name(ap.mount)));
    rows.row(tr("Axes"), QString::fromStdString(axes_text(facts.project(), floor, ap.position)));
    rows.row(tr("Height"), tr("%1 above the floor").arg(length_words(facts, ap.height_m)));
    rows.row(tr("Looks to"),
             tr("%1° from north, %2° down").arg(figure(ap.azimuth_deg), figure(ap.downtilt_deg)));
    if (m.body.weight_kg > 0) rows.row(tr("Weight"), tr("%1 kg").arg(figure(m.body.weight_kg, 1)));
    for (const Radio& r : ap.radios)
        if (const AntennaModel* antenna = find_antenna(facts.project(), r.antenna))
            rows.row(tr("Antenna"),
                     tr("%1 GHz: %2")
                             .arg(QString::fromStdString(band(r.channel.band).name),
                                  QString::fromStdString(antenna->name)) +
                         (r.cable.empty() ? QString() : tr(", cable %1 m").arg(figure(r.cable_m, 1))));
}

void cable_rows(Facts& rows, const ReportFacts& facts, const Floor& floor, const AccessPoint& ap) {
    rows.head(tr("Cable"));
    const CableRun* run = run_of(facts.plan, ap.id);
    if (!run || !run->closet) {
        rows.row(tr("To"), tr("no way leads to a closet"));
        return;
    }
    rows.row(tr("To"), port_words(facts, ap.id));
    if (run->outlet)
        rows.row(tr("From outlet"), QString::fromStdString(find_outlet(floor, run->outlet)->name));
    rows.row(tr("Cable"), QString::fromStdString(facts.project().cabling.cable));
    rows.row(tr("Link"), tr("%1, with slack").arg(length_words(facts, run->link_m)));
    if (ap.source) rows.row(tr("Power"), QString::fromStdString(std::string(power_source_name(*ap.source))));
}

void radio_rows(Facts& rows, const ReportFacts& facts, const AccessPoint& ap) {
    rows.head(tr("Radios"));
    for (std::size_t i = 0; i < ap.radios.size(); ++i) {
        const Radio& r = ap.radios[i];
        const QString name = tr("%1 GHz").arg(QString::fromStdString(band(r.channel.band).name));
        rows.row(name, !r.on ? tr("off")
                             : tr("channel %1, %2 MHz, %3 dBm")
                                   .arg(r.channel_open ? tr("open") : QString::number(r.primary))
                                   .arg(r.channel.width_mhz)
                                   .arg(figure(working_radio(facts.project(), ap, i).power_dbm, 0)));
    }
}

void site_rows(Facts& rows, const AccessPoint& ap) {
    const OnSite& s = ap.on_site;
    rows.head(tr("On site"));
    const QString line = QString(26, '_');
    const auto text = [&](const std::string& value) {
        return value.empty() ? line : QString::fromStdString(value);
    };
    rows.row(tr("State"),
             tr(site_state(s.state).name) + (s.date.empty() ? QString() : ", " + day_text(s.date)));
    rows.row(tr("Serial number"), text(s.serial));
    rows.row(tr("Address"), text(s.address));
    if (s.state == SiteState::planned) rows.row(tr("Hung by, on"), line);
}

void paint_head(QPainter& p, const QRectF& column, const ReportFacts& facts, const Floor& floor,
                const AccessPoint& ap) {
    const auto& colours = print_palette();
    p.setPen(colours.ink);
    p.setFont(font(28, 700));
    p.drawText(QRectF(column.left(), column.top(), column.width() - 110, 40),
               Qt::AlignLeft | Qt::AlignVCenter,
               QFontMetricsF(p.font()).elidedText(name_and_number(ap), Qt::ElideRight, column.width() - 110));
    const Zone* zone = zone_with(floor, ap);
    p.setFont(font(13));
    p.setPen(colours.muted);
    p.drawText(QRectF(column.left(), column.top() + 42, column.width() - 110, 20),
               Qt::AlignLeft | Qt::AlignVCenter,
               QString::fromStdString(floor_title(facts.project(), floor)) +
                   (zone ? ", " + QString::fromStdString(zone->name) : QString()));
    p.fillRect(QRectF(column.left(), column.top() + 70, 96, 3), colours.accent);
    paint_qr(p, QRectF(column.right() - 92, column.top() - 10, 92, 92), label_text(facts, floor, ap));
}

void paint_sheet(QPainter& p, const QRectF& all, const ReportFacts& facts, const Floor& floor,
                 const AccessPoint& ap) {
    const auto& colours = print_palette();
    const QRectF column = all.adjusted(margin_x, 16 * print_px_per_mm, -margin_x, -15 * print_px_per_mm);
    paint_head(p, column, facts, floor, ap);
    const QRectF plan(QPointF(column.left(), column.top() + 92), cutout_size(facts));
    paint_cutout(p, plan, facts, floor, ap);
    const double gap = 24, half = (column.width() - gap) / 2, top = plan.bottom() + 22;
    Facts left(p, QRectF(column.left(), top, half, column.bottom() - top));
    hanging_rows(left, facts, floor, ap);
    cable_rows(left, facts, floor, ap);
    radio_rows(left, facts, ap);
    const double x = column.left() + half + gap;
    const QRectF picture(x, top, half, 150);
    paint_hanging(p, picture, facts.project(), floor, ap);
    Facts right(p, QRectF(x, picture.bottom() + 8, half, column.bottom() - picture.bottom() - 8));
    site_rows(right, ap);
    if (!ap.on_site.note.empty()) right.row(tr("Note"), QString::fromStdString(ap.on_site.note));
    if (!ap.on_site.photo.empty())
        paint_image(p, print_image(facts.project(), ap.on_site.photo),
                    QRectF(x, right.y() + 8, half, std::max(0.0, column.bottom() - right.y() - 8)),
                    Qt::AlignLeft | Qt::AlignTop);
    p.setFont(font(10));
    p.setPen(colours.muted);
    p.drawText(QRectF(column.left(), column.bottom() + 8, column.width(), 16),
               Qt::AlignLeft | Qt::AlignVCenter,
               QString::fromStdString(facts.project().name) + ", " + day_text(facts.plan.day));
}

}  // namespace

QString name_and_number(const AccessPoint& ap) {
    return ap.name.empty() ? tr("Access point %1").arg(ap.number)
                           : tr("%1, no. %2").arg(QString::fromStdString(ap.name)).arg(ap.number);
}

QString port_words(const ReportFacts& facts, AccessPointId id) {
    const CableRun* run = run_of(facts.plan, id);
    if (!run || !run->closet) return {};
    const Closet& closet = *find_closet(*find_floor(facts.project(), run->closet_floor), run->closet);
    const QString name = QString::fromStdString(closet.name);
    if (!run->port) return name;
    return tr("%1, %2 / %3")
        .arg(name, QString::fromStdString(closet.switches[run->port->of].name))
        .arg(run->port->port);
}

QString label_text(const ReportFacts& facts, const Floor& floor, const AccessPoint& ap) {
    QStringList lines{QString::fromStdString(called(ap)),
                      QString::fromStdString(facts.project().name).left(80),
                      QString::fromStdString(floor_title(facts.project(), floor)).left(80),
                      QString::fromStdString(model(facts.project(), ap.model).name).left(80),
                      port_words(facts, ap.id).left(80)};
    lines.removeAll(QString());
    return lines.join('\n');
}

SheetBlock access_point_sheet(const ReportFacts& facts, const Floor& floor, const AccessPoint& ap) {
    SheetBlock sheet;
    sheet.title = name_and_number(ap);
    sheet.size_mm = paper_mm(facts.choice().paper);
    sheet.paint = [&facts, &floor, &ap](QPainter& p, const QRectF& all) {
        paint_sheet(p, all, facts, floor, ap);
    };
    return sheet;
}

}  // namespace yemvo::render::report
