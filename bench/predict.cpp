// Prediction of the demo library: from nothing, after a move, after a retune; raster against link by link.
#include "bench/timing.h"
#include "coverage/verdict.h"
#include "demo/demo.h"
#include "project/edits.h"
#include "propagation/explain.h"
#include "propagation/trace.h"

using namespace yemvo;
using namespace yemvo::bench;

int main() {
    const Project demo = demo::compose_venue();
    const FloorId ground = find_floor(demo, "Ground floor")->id;
    std::vector<double> whole, moved, retuned_ms;
    Predictor kept;
    kept.predict(demo);
    for (int i = 0; i < 41; ++i) {
        whole.push_back(milliseconds([&] {
            Predictor fresh;
            judge(demo, fresh.predict(demo));
        }));
        AccessPoint ap = access_points(demo, ground)[i % 8];
        Project p = demo;
        ap.position.x += 0.11 * (i + 1);
        replace_access_point(p, ground, ap);
        moved.push_back(milliseconds([&] { judge(p, kept.predict(p)); }));
        ap.radios[1].power_dbm += 0.1 * i;
        replace_access_point(p, ground, ap);
        retuned_ms.push_back(milliseconds([&] { judge(p, kept.predict(p)); }));
    }
    std::printf(
        "demo library, 2 floors and a garden, 19 access points, 0.5 m grid, 3 bands, fields and verdict\n");
    print("from nothing", figures(whole));
    print("one access point moved", figures(moved));
    print("one radio's power changed", figures(retuned_ms));

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
