// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/plan_legend.h"

#include <set>

#include "render/legend.h"
#include "render/plan_cables.h"
#include "render/plan_marks.h"
#include "render/plan_walls.h"
#include "render/report/styles.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render::report {
namespace {

struct Entry {
    QString words;
    std::function<void(QPainter&, const QRectF&)> sample;
};

std::vector<Entry> entries(const Project& project, const Floor& floor) {
    const auto& colours = print_palette();
    std::vector<Entry> all;
    std::set<WallTypeId> types;
    for (const Wall& w : *floor.walls) {
        types.insert(w.type);
        for (const Opening& o : w.openings) types.insert(o.type);
    }
    for (const WallType& t : *project.wall_types)
        if (types.contains(t.id))
            all.push_back({QString::fromStdString(t.name), [&t, &colours](QPainter& p, const QRectF& box) {
                               paint_type_sample(p, box, t, colours);
                           }});
    for (BandId b : {band_24, band_5, band_6})
        all.push_back({tr("radio at %1 GHz").arg(QString::fromStdString(band(b).name)),
                       [b, &colours](QPainter& p, const QRectF& box) {
                           paint_band_glyph(p, box.center(), b, colours);
                       }});
    if (!floor.outlets->empty())
        all.push_back({tr("outlet"), [&colours](QPainter& p, const QRectF& box) {
                           paint_outlet(p, box.center(), colours.accent, colours);
                       }});
    if (!floor.risers->empty())
        all.push_back({tr("riser"), [&colours](QPainter& p, const QRectF& box) {
                           paint_riser(p, box.center(), colours.accent, colours);
                       }});
    if (!floor.trays->empty())
        all.push_back({tr("tray"), [&colours](QPainter& p, const QRectF& box) {
                           const Tray tray{{}, "", {{0, 0}, {box.width(), 0}}, 3};
                           paint_tray(p, tray, {1, {box.left(), box.center().y()}}, colours);
                       }});
    return all;
}

}  // namespace

void paint_map_legend(QPainter& p, const QRectF& box, const ReportFacts& facts, const Floor& floor,
                      const FloorMap& map) {
    const FloorFacts* of = facts.find(floor.id);
    if (!of) return;
    const MapStatistics s = statistics(of->prediction, map.values, map.choice);
    LegendLayout(QPointF(box.right() + 2, box.bottom() + 3), map.choice).paint(p, s, print_palette());
    p.setFont(font(11));
    p.setPen(print_palette().muted);
    p.drawText(QRectF(box.left() + 14, box.top() + 10, box.width() - 370, box.height() - 14),
               Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap,
               tr_mark(lens(map.choice.lens).meaning) + "\n" +
                   tr("Predicted for a client at %1.")
                       .arg(local(format_length(facts.project().settings.client_height_m,
                                                facts.project().settings.units))));
}

void paint_plan_legend(QPainter& p, const QRectF& box, const ReportFacts& facts, const Floor& floor) {
    constexpr double sample = 26, gap = 16, line = 18, top = 8, side = 14;
    const QFont f = font(10);
    const QFontMetricsF metrics(f);
    QPointF at = box.topLeft() + QPointF(side, top);
    for (const Entry& e : entries(facts.project(), floor)) {
        const QString words = metrics.elidedText(e.words, Qt::ElideRight, 190);
        const double wide = sample + 6 + metrics.horizontalAdvance(words);
        if (at.x() + wide > box.right() - side) at = {box.left() + side, at.y() + line};
        if (at.y() + line > box.bottom()) return;
        e.sample(p, QRectF(at.x(), at.y() + 3, sample, 10));
        p.setFont(f);
        p.setPen(print_palette().ink);
        p.drawText(QRectF(at.x() + sample + 6, at.y(), wide, line - 2), Qt::AlignLeft | Qt::AlignVCenter,
                   words);
        at.rx() += wide + gap;
    }
}

}  // namespace yemvo::render::report
