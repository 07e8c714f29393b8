// SPDX-License-Identifier: GPL-3.0-or-later
// The wall-shadow raster at size: an office and a hall, against Embree, against writing the fields once, by
// instruction set; and how it grows.
#include <sys/resource.h>
#include <time.h>

#include <functional>
#include <map>

#include "bench/embree_peer.h"
#include "bench/scenes.h"
#include "bench/timing.h"
#include "coverage/site_prediction.h"
#include "propagation/shadow_raster.h"
#include "propagation/simd.h"
#include "propagation/trace.h"

using namespace yemvo;
using namespace yemvo::bench;

namespace {

double cpu_ms() {
    timespec t;
    clock_gettime(CLOCK_PROCESS_CPUTIME_ID, &t);
    return static_cast<double>(t.tv_sec) * 1e3 + static_cast<double>(t.tv_nsec) / 1e6;
}

struct Site {
    const char* name;
    Project project;
    double cell_m;
    Scene scene;
    std::vector<Surface> surfaces;
    std::vector<Point3> sources;
    double links() const {
        double cells = 0;
        for (const Surface& s : surfaces) cells += static_cast<double>(s.cells());
        return cells * static_cast<double>(sources.size());
    }
};

Site make_site(const char* name, Project p, double cell_m) {
    SceneCache cache(std::size_t{64} << 20);
    Site site{name, std::move(p), cell_m, {}, {}, {}};
    site.scene = make_scene(site.project, cache);
    for (const Floor* f : all_floors(site.project))
        site.surfaces.push_back(make_surface(site.project, site.scene, *f, cell_m));
    for (const auto& placed : placed_access_points(site.project))
        site.sources.push_back(antenna_place(site.scene, *placed.floor, *placed.access_point));
    return site;
}

/// CPU time of `work(surface, source)` for every `nth` pair.
double sweep(const Site& site, std::size_t nth, const std::function<void(const Surface&, Point3)>& work,
             double* links) {
    const double before = cpu_ms();
    std::size_t i = 0;
    *links = 0;
    for (const Point3& source : site.sources)
        for (const Surface& surface : site.surfaces) {
            if (i++ % nth) continue;
            work(surface, source);
            *links += static_cast<double>(surface.cells());
        }
    return cpu_ms() - before;
}

double raster_ns(const Site& site, std::size_t nth, double limit_db) {
    double links = 0;
    const double ms = sweep(
        site, nth, [&](const Surface& s, Point3 from) { cast_shadows(site.scene, s, from, {}, limit_db); },
        &links);
    return ms * 1e6 / links;
}

double median(std::vector<double> v) {
    std::sort(v.begin(), v.end());
    return v[v.size() / 2];
}

/// Mean number of things a link crosses, and how far the two ways lie apart.
void compare(const Site& site, const EmbreePeer& peer) {
    const Surface& s = site.surfaces.front();
    const Point3 source = site.sources[site.sources.size() / 2];
    const Obstruction drawn = cast_shadows(site.scene, s, source, {}, no_limit_db);
    std::vector<float> traced;
    peer.cast(s, source, traced);
    double crossings = 0, apart = 0;
    int far = 0, asked = 0;
    for (std::size_t i = 0; i < s.cells(); ++i) {
        const double d = std::abs(double{drawn.by_band[1].at(i)} - double{traced[i * 3 + 1]});
        apart += d;
        far += d > 0.1;
        if (i % 97 == 0) {
            crossings += static_cast<double>(trace(site.scene, source, s.receiver(s.centre(i))).size());
            ++asked;
        }
    }
    std::printf(
        "  a link crosses %.1f things; peer and raster more than 0.1 dB apart in %.3f %% of the cells, "
        "mean %.4f dB (rays through joints count two walls there)\n",
        crossings / asked, 100.0 * far / static_cast<double>(s.cells()),
        apart / static_cast<double>(s.cells()));
}

void measure(const Site& site, std::size_t nth) {
    std::printf("%s: %zu panels, %zu access points, %zu floors, cells of %.1f m, %.2f million links\n",
                site.name, site.scene.panels.size(), site.sources.size(), site.surfaces.size(), site.cell_m,
                site.links() / 1e6);
    auto peer = std::make_unique<EmbreePeer>(site.scene);
    compare(site, *peer);
    std::vector<float> out;
    std::vector<double> embree;
    std::map<std::string, std::vector<double>> ours;
    std::vector<double> limited;
    double links = 0;
    for (int round = 0; round < 5; ++round) {
        embree.push_back(
            sweep(
                site, nth, [&](const Surface& s, Point3 from) { peer->cast(s, from, out); }, &links) *
            1e6 / links);
        for (const std::string& set : instruction_sets()) {
            if (set == "baseline" && round > 0) continue;
            use_instruction_set(set);
            ours[set].push_back(raster_ns(site, nth, no_limit_db));
        }
        use_instruction_set("");
        limited.push_back(raster_ns(site, nth, most_path_loss_db));
    }
    std::printf("  Embree %s, packets of 16           %8.1f ns a link (one thread, CPU time, median of 5)\n",
                peer->version().c_str(), median(embree));
    for (const auto& [set, ns] : ours)
        std::printf("  wall-shadow raster, %-10s        %8.1f ns a link   %.1f times Embree\n", set.c_str(),
                    median(ns), median(embree) / median(ns));
    std::printf("  with the limit of %.0f dB             %8.1f ns a link   %.1f times Embree\n",
                most_path_loss_db, median(limited), median(embree) / median(limited));

    peer.reset();  // its device holds every thread of the process to one
    const std::size_t cells = static_cast<std::size_t>(site.links());
    std::vector<std::int16_t> plain(cells);
    std::vector<double> writing;
    for (int i = 0; i < 5; ++i)
        writing.push_back(
            milliseconds([&] { std::fill(plain.begin(), plain.end(), static_cast<std::int16_t>(i)); }));
    std::vector<double> whole, cpu;
    for (int i = 0; i < 3; ++i) {
        Predictor fresh;
        const double before = cpu_ms();
        whole.push_back(milliseconds([&] { fresh.predict(site.project, {}, {site.cell_m}); }));
        cpu.push_back(cpu_ms() - before);
    }
    std::printf(
        "  all maps from nothing, 3 bands       %8.0f ms (%.0f ms CPU); one band's fields written once take "
        "%.1f ms\n",
        median(whole), median(cpu), median(writing));
}

void growth() {
    std::printf("growth of the raster's CPU time (exponents between the ends)\n");
    const auto exponent = [](const char* what, const std::vector<std::pair<double, double>>& points) {
        std::printf("  with %-16s", what);
        for (const auto& [x, ms] : points) std::printf(" %8.0f: %7.1f ms", x, ms);
        std::printf("   exponent %.2f\n", std::log(points.back().second / points.front().second) /
                                              std::log(points.back().first / points.front().first));
    };
    const auto run = [](const Site& site) {
        double links = 0;
        std::vector<double> ms;
        for (int i = 0; i < 3; ++i)
            ms.push_back(sweep(
                site, 1,
                [&](const Surface& s, Point3 from) { cast_shadows(site.scene, s, from, {}, no_limit_db); },
                &links));
        return median(ms);
    };
    std::vector<std::pair<double, double>> walls, cells, points;
    for (int n : {625, 2500, 10000}) {
        const Site site = make_site("hall", hall(n, 10), 1);
        walls.emplace_back(static_cast<double>(site.scene.panels.size()), run(site));
    }
    for (double cell_m : {2.0, 1.0, 0.5}) {
        const Site site = make_site("hall", hall(2500, 10), cell_m);
        cells.emplace_back(static_cast<double>(site.surfaces[0].cells()), run(site));
    }
    for (int n : {5, 20, 80}) points.emplace_back(n, run(make_site("hall", hall(2500, n), 1)));
    exponent("walls", walls);
    exponent("cells", cells);
    exponent("access points", points);
}

}  // namespace

int main() {
    std::printf("instruction set in use: %s\n", instruction_set().c_str());
    measure(make_site("office", office(), 0.5), 7);
    measure(make_site("hall", hall(), 1), 23);
    growth();
    rusage usage{};
    getrusage(RUSAGE_SELF, &usage);
    std::printf("peak memory %.0f MB\n", static_cast<double>(usage.ru_maxrss) / 1024);
    return 0;
}
