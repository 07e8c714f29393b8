// SPDX-License-Identifier: GPL-3.0-or-later
// Prediction of the demo library: from nothing, after a move, after a retune; raster against link by link.
#include <unistd.h>

#include <filesystem>

#include "bench/timing.h"
#include "coverage/verdict.h"
#include "demo/demo.h"
#include "project/edits.h"
#include "project/storage.h"
#include "propagation/explain.h"
#include "propagation/trace.h"

using namespace yemvo;
using namespace yemvo::bench;

int main() {
    const Project demo = demo::compose_venue();
    const FloorId ground = find_floor(demo, "Ground floor")->id;
    std::vector<double> opened, whole, maps;
    Times moved, with_maps, retuned, walled;
    Predictor kept;
    SitePrediction site = kept.predict(demo);
    const auto again = [&](const Project& p) {
        site = kept.predict(p);
        judge(p, site);
    };
    const std::filesystem::path file =
        std::filesystem::temp_directory_path() / ("yemvo-bench-" + std::to_string(getpid()) + ".yemvo");
    save_project(demo::make_demo(), file.string());
    const auto all_maps = [&](const auto& worked_out) {
        for (const FloorPrediction& f : site.floors)
            for (const LensInfo& info : lenses())
                if (info.id != LensId::outside && info.id != LensId::confidence)
                    for (const Band& b : bands())
                        worked_out(f, LensChoice{info.id, b.id, {}, client(demo, demo.settings.client)});
    };
    constexpr int times = 41;
    for (int i = 0; i < times; ++i) {
        opened.push_back(milliseconds([&] {
            const Project p = load_project(file.string()).project;
            Predictor fresh;
            judge(p, fresh.predict(p));
        }));
        whole.push_back(milliseconds([&] {
            Predictor fresh;
            judge(demo, fresh.predict(demo));
        }));
    }
    // as a hand does it: one thing again and again, from where it is
    Project p = demo;
    const auto drag = [&] {
        AccessPoint ap = access_points(p, ground)[3];
        ap.position.x += 0.05;
        replace_access_point(p, ground, ap);
    };
    for (int i = 0; i < times; ++i) {
        drag();
        moved.take([&] { again(p); });
        drag();
        with_maps.take([&] {
            again(p);
            all_maps(
                [](const auto& f, const auto& choice) { lens_plane(f, choice); });  // shared with the verdict
        });
    }
    for (int i = 0; i < times; ++i)
        maps.push_back(milliseconds(
            [&] { all_maps([](const auto& f, const auto& choice) { lens_values(f, choice); }); }));
    for (int i = 0; i < times; ++i) {
        AccessPoint ap = access_points(p, ground)[static_cast<std::size_t>(i % 8)];
        ap.radios[1].power_dbm -= 0.1;
        replace_access_point(p, ground, ap);
        retuned.take([&] { again(p); });
    }
    for (int i = 0; i < times; ++i) {
        Wall wall = (*find_floor(p, ground)->walls)[3];
        for (Point& c : wall.points) c.x += 0.01;
        replace_wall(p, ground, wall);
        walled.take([&] { again(p); });
    }
    std::filesystem::remove(file);
    std::printf(
        "demo library, %zu floors, %zu access points, 0.5 m grid, 3 bands, fields of every floor and "
        "verdict\n",
        all_floors(demo).size(), placed_access_points(demo).size());
    print("file opened, then from nothing", figures(opened));
    print("from nothing", figures(whole));
    print("one access point dragged, a frame", moved);
    print("the same and 13 lenses in 3 bands on every floor", with_maps);
    print("one radio's power changed", retuned);
    print("one wall moved", walled);
    print("13 lenses in 3 bands on every floor alone", figures(maps));

    SceneCache masks(1 << 24);
    const Scene scene = make_scene(demo, masks);
    const Surface surface = make_surface(demo, scene, *find_floor(demo, ground));
    const Point3 source = antenna_place(scene, *find_floor(demo, ground), access_points(demo, ground)[2]);
    std::vector<double> raster, links;
    double sink = 0;
    for (int i = 0; i < 11; ++i) {
        raster.push_back(milliseconds([&] {
            sink += static_cast<double>(cast_shadows(scene, surface, source, {}).by_band[1].at(77));
        }));
        links.push_back(milliseconds([&] {
            for (std::size_t k = 0; k < surface.cells(); ++k)
                sink +=
                    obstruction_db(scene, trace(scene, source, surface.receiver(surface.centre(k))), band_5);
        }));
    }
    std::printf("\none access point onto one floor, %zu cells, %zu panels\n", surface.cells(),
                scene.panels.size());
    print("wall-shadow raster, all bands", figures(raster));
    print("link by link", figures(links));
    std::printf("%-50s %.0f times\n", "raster against link by link (medians)",
                figures(links).median_ms / figures(raster).median_ms);
    return sink == 1 ? 1 : 0;
}
