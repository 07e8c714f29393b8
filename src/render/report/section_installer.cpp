// SPDX-License-Identifier: GPL-3.0-or-later
// What an installer works from: the walk, a sheet for each access point, labels.
#include "handover/walk.h"
#include "render/report/access_point_sheet.h"
#include "render/report/qr_code.h"
#include "render/report/sections.h"
#include "render/report/styles.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render::report::section {
namespace {

TableBlock walk_table(const ReportFacts& facts, const std::vector<WalkStop>& stops) {
    TableBlock t{{{QString(), 5, true},
                  {tr("Access point"), 20, false},
                  {tr("Model"), 30, false},
                  {tr("Height"), 12, true},
                  {tr("Closet and port"), 22, false},
                  {tr("From the last"), 14, true},
                  {tr("State"), 12, false},
                  {tr("Done"), 8, false}},
                 {},
                 false};
    const LengthUnits units = facts.project().settings.units;
    int n = 0;
    for (const WalkStop& s : stops) {
        const AccessPoint& ap = *s.access_point;
        t.rows.push_back({{QString::number(++n)},
                          {name_and_number(ap)},
                          {QString::fromStdString(model(facts.project(), ap.model).name)},
                          {local(format_length(ap.height_m, units))},
                          {port_words(facts, ap.id)},
                          {n == 1 ? QString() : local(format_length(s.from_last_m, units, true, 0))},
                          {tr(site_state(ap.on_site.state).name)},
                          {QStringLiteral("☐")}});
    }
    return t;
}

constexpr double label_width_mm = 63.5, label_height_mm = 38.1;
constexpr int label_columns = 3;

void paint_label(QPainter& p, const QRectF& box, const ReportFacts& facts, const Floor& floor,
                 const AccessPoint& ap) {
    const auto& colours = print_palette();
    p.setPen(QPen(colours.line, 0.8));
    p.setBrush(Qt::NoBrush);
    p.drawRoundedRect(box, 6, 6);
    const double side = box.height() - 28;
    paint_qr(p, QRectF(box.right() - side - 10, box.top() + 14, side, side), label_text(facts, floor, ap));
    const QRectF words(box.left() + 12, box.top() + 12, box.width() - side - 30, box.height() - 24);
    double px = 24;
    const QString name = QString::fromStdString(called(ap));
    while (px > 11 && QFontMetricsF(font(px, 700)).horizontalAdvance(name) > words.width()) px -= 1;
    p.setPen(colours.ink);
    p.setFont(font(px, 700));
    p.drawText(words, Qt::AlignLeft | Qt::AlignTop,
               QFontMetricsF(p.font()).elidedText(name, Qt::ElideRight, words.width()));
    p.setFont(font(10));
    const QFontMetricsF metrics(p.font());
    double y = words.top() + 36;
    for (const QString& line : {QString::fromStdString(floor_title(facts.project(), floor)),
                                QString::fromStdString(model(facts.project(), ap.model).name),
                                port_words(facts, ap.id), QString::fromStdString(ap.on_site.serial)}) {
        if (line.isEmpty()) continue;
        QRectF used;
        p.drawText(QRectF(words.left(), y, words.width(), 2 * metrics.height()),
                   Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, line, &used);
        y += std::min(used.height(), 2 * metrics.height()) + 2;
    }
}

struct Label {
    const Floor* floor;
    const AccessPoint* access_point;
};

SheetBlock label_sheet(const ReportFacts& facts, std::vector<Label> labels) {
    SheetBlock sheet;
    sheet.size_mm = paper_mm(facts.choice().paper);
    sheet.paint = [&facts, labels = std::move(labels)](QPainter& p, const QRectF& all) {
        const double wide = label_width_mm * print_px_per_mm, high = label_height_mm * print_px_per_mm;
        const double left = (all.width() - label_columns * wide) / 2;
        const double top = 15 * print_px_per_mm;
        for (std::size_t i = 0; i < labels.size(); ++i) {
            const QRectF box(left + wide * static_cast<double>(i % label_columns),
                             top + high * static_cast<double>(i / label_columns), wide, high);
            paint_label(p, box.adjusted(4, 3, -4, -3), facts, *labels[i].floor, *labels[i].access_point);
        }
    };
    return sheet;
}

}  // namespace

std::vector<Part> walk(const ReportFacts& facts) {
    Part part{tr("Walk order"), {}};
    for (const Floor* f : all_floors(facts.project())) {
        const auto stops = yemvo::walk(facts.project(), *f);
        if (stops.empty()) continue;
        double metres = 0;
        for (const WalkStop& s : stops) metres += s.from_last_m;
        part.text(TextLook::heading, QString::fromStdString(floor_title(facts.project(), *f)));
        part.table(walk_table(facts, stops));
        part.text(TextLook::small,
                  tr("%1 between the first and the last, straight.")
                      .arg(local(format_length(metres, facts.project().settings.units, true, 0))));
    }
    return part.blocks.empty() ? std::vector<Part>() : std::vector<Part>{part};
}

std::vector<Part> access_points(const ReportFacts& facts) {
    Part part{tr("Access point sheets"), {}};
    for (const Floor* f : all_floors(facts.project()))
        for (const WalkStop& s : yemvo::walk(facts.project(), *f))
            part.blocks.push_back(access_point_sheet(facts, *f, *s.access_point));
    return part.blocks.empty() ? std::vector<Part>() : std::vector<Part>{part};
}

std::vector<Part> labels(const ReportFacts& facts) {
    std::vector<Label> all;
    for (const Floor* f : all_floors(facts.project()))
        for (const WalkStop& s : yemvo::walk(facts.project(), *f)) all.push_back({f, s.access_point});
    const double room_mm = paper_mm(facts.choice().paper).height() - 30;
    const auto each = static_cast<std::size_t>(label_columns * std::floor(room_mm / label_height_mm));
    Part part{tr("Labels"), {}};
    for (std::size_t i = 0; i < all.size(); i += each)
        part.blocks.push_back(
            label_sheet(facts, {all.begin() + static_cast<std::ptrdiff_t>(i),
                                all.begin() + static_cast<std::ptrdiff_t>(std::min(all.size(), i + each))}));
    return part.blocks.empty() ? std::vector<Part>() : std::vector<Part>{part};
}

}  // namespace yemvo::render::report::section
