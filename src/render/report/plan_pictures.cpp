// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/report/plan_pictures.h"

#include <QBuffer>
#include <QSvgGenerator>

#include "base/error.h"
#include "render/report/plan_sheet.h"
#include "render/report/styles.h"
#include "render/text_style.h"
#include "render/tr.h"
#include "render/web_plan/web_plan.h"

namespace yemvo::render::report {
namespace {

/// Marks and texts keep the size that they have on a plan of 1 : 200.
constexpr double usual_px_per_m = 1000 * print_px_per_mm / 200;
constexpr double most_dots = 20'000;

struct Picture {
    const ReportFacts* facts;
    const Floor* floor;
    const FloorMap* map;
    Box box;

    QSizeF size() const { return QSizeF(box.width(), box.height()) * usual_px_per_m; }
    void paint(QPainter& p) const {
        const PrintType type;
        const QRectF area(QPointF(0, 0), size());
        p.fillRect(area, Qt::white);
        const PlanMap plan{usual_px_per_m, {-box.low.x * usual_px_per_m, box.high.y * usual_px_per_m}};
        PlanLook look;
        look.map = map;
        look.cables = map == nullptr;
        paint_plan(p, *facts, *floor, plan, area, look);
    }
};

std::string png(const Picture& picture, const PictureWish& wish) {
    const QSizeF size = picture.size();
    const double wanted = wish.dots_per_m / usual_px_per_m;
    const double scale = std::min(wanted, most_dots / std::max(size.width(), size.height()));
    QImage image((size * scale).toSize(), QImage::Format_RGB32);
    if (image.isNull())
        throw Error(say("A picture of %1 by %2 dots does not fit into the memory",
                        static_cast<int>(size.width() * scale), static_cast<int>(size.height() * scale)),
                    picture.floor->name, say("Ask for fewer dots a metre"));
    image.fill(Qt::white);
    image.setDotsPerMeterX(static_cast<int>(usual_px_per_m * scale * 200));
    image.setDotsPerMeterY(image.dotsPerMeterX());
    {
        QPainter p(&image);
        p.setRenderHints(QPainter::Antialiasing | QPainter::TextAntialiasing |
                         QPainter::SmoothPixmapTransform);
        p.scale(scale, scale);
        picture.paint(p);
    }
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, "PNG");
    return bytes.toStdString();
}

std::string svg(const Picture& picture, const PictureWish&) {
    QByteArray bytes;
    QBuffer buffer(&bytes);
    QSvgGenerator generator;
    generator.setOutputDevice(&buffer);
    generator.setTitle(QString::fromStdString(floor_title(picture.facts->project(), *picture.floor)));
    generator.setSize(picture.size().toSize());
    generator.setViewBox(QRectF(QPointF(0, 0), picture.size()));
    QPainter p(&generator);
    p.setRenderHint(QPainter::Antialiasing);
    picture.paint(p);
    p.end();
    return bytes.toStdString();
}

using Maker = std::string (*)(const Picture&, const PictureWish&);
struct Kind {
    FileKind kind;
    Maker make;
};
constexpr Kind kinds[] = {{{"png", ".png", mark("plans and the chosen maps as pictures")}, png},
                          {{"svg", ".svg", mark("the same as scalable drawings")}, svg}};

constexpr std::string_view kinds_of_pictures[] = {"png", "svg"};

constexpr FileKind web_kind{"html", ".html",
                            mark("the plan as one page for any browser: floors, maps, values, verdict")};

std::string map_stem(const std::string& floor, const FloorMap& map) {
    std::string stem = floor + "-" + lens(map.choice.lens).key;
    for (BandId b : map.choice.bands.list()) stem += "-" + band(b).name;
    return stem;
}

}  // namespace

std::vector<HandoverFile> picture_files(const ReportFacts& facts, std::string_view key,
                                        const PictureWish& wish) {
    const auto kind = std::ranges::find_if(kinds, [&](const Kind& k) { return key == k.kind.key; });
    if (kind == std::end(kinds)) return {};
    std::vector<HandoverFile> files;
    std::vector<std::string> taken;
    for (const Floor* f : all_floors(facts.project())) {
        const auto box = printed_box(facts.project(), *f);
        if (!box) continue;
        const std::string stem = file_stem(floor_title(facts.project(), *f), taken);
        const auto add = [&](const std::string& name, const FloorMap* map) {
            const Picture picture{&facts, f, map, *box};
            files.push_back({name + kind->kind.ending,
                             [picture, make = kind->make, wish] { return make(picture, wish); }});
        };
        add(stem, nullptr);
        if (const FloorFacts* of = facts.find(f->id))
            for (const FloorMap& map : of->maps) add(map_stem(stem, map), &map);
    }
    return files;
}

std::vector<FileKind> all_file_kinds() {
    std::vector<FileKind> all(file_kinds().begin(), file_kinds().end());
    for (const Kind& k : kinds) all.push_back(k.kind);
    all.push_back(web_kind);
    return all;
}

WishedMaps maps_for(std::span<const std::string> kinds) {
    WishedMaps maps{false, false};
    for (const std::string& kind : kinds) {
        maps.report |= std::ranges::find(kinds_of_pictures, kind) != std::end(kinds_of_pictures);
        maps.web |= kind == web_kind.key;
    }
    return maps;
}

std::vector<HandoverFile> all_files(const ReportFacts& facts, std::string_view kind,
                                    const PictureWish& wish) {
    if (kind == web_kind.key) return {{"plan.html", [&facts] { return web_plan(facts); }}};
    auto files = handover_files(facts.plan, kind);
    return files.empty() ? picture_files(facts, kind, wish) : files;
}

}  // namespace yemvo::render::report
