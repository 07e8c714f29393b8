#include "render/plan_picture.h"

#include <unistd.h>

#include <QGuiApplication>
#include <QPainter>
#include <filesystem>
#include <memory>

#include "base/error.h"
#include "render/legend.h"
#include "render/plan_marks.h"
#include "render/plan_walls.h"
#include "render/text_style.h"

namespace yemvo::render {
namespace {

constexpr int title_px = 64, foot_px = 100, side_px = 28;

Underlay underlay_of(const Project& project, const Floor& floor) {
    const auto asset = project.assets.find(floor.drawing->asset);
    if (!*floor.drawing || asset == project.assets.end()) return {};
    return Underlay(decode_picture(*asset->second, asset->first));
}

void paint_title(QPainter& p, const Project& project, const Floor& floor, const MapChoice& choice, int width,
                 const Palette& palette) {
    const LensInfo& info = lens(choice.lens);
    p.setPen(palette.ink);
    p.setFont(font(20, 650));
    p.drawText(QRectF(side_px, 12, width - 2 * side_px, 28), Qt::AlignLeft | Qt::AlignVCenter,
               QString::fromStdString(project.name + ", " + floor.name));
    p.setFont(font(13));
    p.setPen(palette.muted);
    p.drawText(
        QRectF(side_px, 38, width - 2 * side_px, 20), Qt::AlignLeft | Qt::AlignVCenter,
        QString::fromStdString(info.name + ", " + band(choice.band).name + " GHz, client at " +
                               format_length(project.settings.client_height_m, project.settings.units)));
    p.drawText(QRectF(side_px, 38, width - 2 * side_px, 20), Qt::AlignRight | Qt::AlignVCenter,
               QString("Predicted with Yemvo"));
}

/// Qt keeps run-time files in a folder of the user's own, and complains aloud where a session has none.
void own_runtime_folder() {
    if (!qEnvironmentVariableIsEmpty("XDG_RUNTIME_DIR")) return;
    namespace fs = std::filesystem;
    std::error_code ignored;
    const fs::path folder =
        fs::temp_directory_path(ignored) / ("yemvo-runtime-" + std::to_string(::getuid()));
    fs::create_directory(folder, ignored);
    fs::permissions(folder, fs::perms::owner_all, ignored);
    qputenv("XDG_RUNTIME_DIR", folder.c_str());
}

}  // namespace

QImage plan_picture(const Project& project, const Floor& floor, const FloorPrediction& prediction,
                    const MapChoice& choice, const Palette& palette, int width) {
    const Box box = (prediction.surface.cells() ? prediction.surface.box()
                                                : extent(floor).value_or(Box{{0, 0}, {20, 15}}))
                        .grown(0.8);
    const int plan_height =
        std::clamp(static_cast<int>((width - 2 * side_px) * box.height() / box.width()), 200, 4 * width);
    QImage image(width, title_px + plan_height + foot_px, QImage::Format_ARGB32_Premultiplied);
    image.fill(palette.paper);
    QPainter p(&image);
    p.setRenderHints(QPainter::Antialiasing | QPainter::TextAntialiasing);
    const QRectF area(side_px, title_px, width - 2 * side_px, plan_height);
    const PlanMap map = PlanMap::fit(box, area);

    p.setClipRect(area);
    paint_ground(p, floor, map, area, palette, false);
    const auto values = lens_values(*prediction.by_band[choice.band.index], choice.lens);
    p.drawImage(0, 0, paint_heat_map(prediction, values, choice, map, image.size(), palette));
    const Underlay underlay = underlay_of(project, floor);
    underlay.paint(p, *floor.drawing, map, map.to_screen(box));
    paint_voids(p, floor, map, palette);
    paint_walls(p, project, floor, map, area, palette, true);
    std::vector<QRectF> taken;
    for (const AccessPoint& ap : access_points(project, floor.id))
        taken.push_back(badge_area(map.to_screen(ap.position)));
    paint_zone_names(p, project, floor, map, palette, taken);
    for (const AccessPoint& ap : access_points(project, floor.id))
        paint_badge(p, map.to_screen(ap.position), project, ap, BadgeState::plain, palette);
    p.setClipping(false);

    paint_title(p, project, floor, choice, width, palette);
    const MapStatistics s = statistics(prediction, values, choice);
    LegendLayout(QPointF(width - side_px + 8, image.height() - 2), choice).paint(p, s, palette);
    paint_scale_bar(p, QPointF(side_px, image.height() - 30), map, project.settings.units, palette);
    paint_north(p, QPointF(side_px + 240, image.height() - 36), palette);
    return image;
}

void save_plan_picture(const Project& project, const Floor& floor, const FloorPrediction& prediction,
                       const MapChoice& choice, const std::string& file) {
    std::unique_ptr<QGuiApplication> application;
    int argc = 1;
    char name[] = "yemvo-cli";
    char* argv[] = {name, nullptr};
    if (!QCoreApplication::instance()) {
        qputenv("QT_QPA_PLATFORM", "offscreen");
        own_runtime_folder();
        application = std::make_unique<QGuiApplication>(argc, argv);
    }
    if (!plan_picture(project, floor, prediction, choice).save(QString::fromStdString(file), "PNG"))
        throw Error("could not be written", file, "Choose another place");
}

}  // namespace yemvo::render
