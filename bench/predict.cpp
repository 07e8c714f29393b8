// Prediction of the demo library: from nothing, after a move, after a retune; raster against link by link.
#include <unistd.h>

#include <ctime>
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
    std::vector<double> opened, whole, moved, moved_cpu, retuned_ms, retuned_cpu, walled, maps;
    Predictor kept;
    SitePrediction site = kept.predict(demo);
    const auto cpu_ms = [] { return 1e3 * static_cast<double>(std::clock()) / CLOCKS_PER_SEC; };
    const auto again = [&](const Project& p, std::vector<double>& wall_ms, std::vector<double>* cpu) {
        const double before = cpu_ms();
        wall_ms.push_back(milliseconds([&] {
            site = kept.predict(p);
            judge(p, site);
        }));
        if (cpu) cpu->push_back(cpu_ms() - before);
    };
    const std::filesystem::path file =
        std::filesystem::temp_directory_path() / ("yemvo-bench-" + std::to_string(getpid()) + ".yemvo");
    save_project(demo::make_demo(), file.string());
    for (int i = 0; i < 41; ++i) {
        opened.push_back(milliseconds([&] {
            const Project p = load_project(file.string()).project;
            Predictor fresh;
            judge(p, fresh.predict(p));
        }));
        whole.push_back(milliseconds([&] {
            Predictor fresh;
            judge(demo, fresh.predict(demo));
        }));
        AccessPoint ap = access_points(demo, ground)[i % 8];
        Project p = demo;
        ap.position.x += 0.11 * (i + 1);
        replace_access_point(p, ground, ap);
        again(p, moved, &moved_cpu);
        ap.radios[1].power_dbm += 0.1 * i;
        replace_access_point(p, ground, ap);
        again(p, retuned_ms, &retuned_cpu);
        Wall wall = (*find_floor(demo, ground)->walls)[3];
        for (Point& c : wall.points) c.x += 0.01 * (i + 1);
        replace_wall(p, ground, wall);
        again(p, walled, nullptr);
        maps.push_back(milliseconds([&] {
            for (const FloorPrediction& f : site.floors)
                for (const LensInfo& info : lenses())
                    if (info.id != LensId::outside && info.id != LensId::confidence)
                        for (const Band& b : bands())
                            lens_values(f, {info.id, b.id, {}, client(p, "tablet")});
        }));
    }
    std::filesystem::remove(file);
    std::printf(
        "demo library, %zu floors, %zu access points, 0.5 m grid, 3 bands, fields of every floor and "
        "verdict\n",
        all_floors(demo).size(), placed_access_points(demo).size());
    print("file opened, then from nothing", figures(opened));
    print("from nothing", figures(whole));
    print("one access point moved", figures(moved));
    print("  the same in CPU time of both cores", figures(moved_cpu));
    print("one radio's power changed", figures(retuned_ms));
    print("  the same in CPU time of both cores", figures(retuned_cpu));
    print("one wall moved", figures(walled));
    print("13 lenses in 3 bands on every floor", figures(maps));

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
