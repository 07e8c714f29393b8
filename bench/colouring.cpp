// SPDX-License-Identifier: GPL-3.0-or-later
// Colouring the map of the demo's first floor as a plan of 1280x800 shows it: in SIMD, and pixel by pixel as
// it was.
#include <atomic>
#include <thread>

#include "bench/timing.h"
#include "coverage/lens_map.h"
#include "demo/demo.h"
#include "render/heat_map.h"

using namespace yemvo;
using namespace yemvo::bench;
using namespace yemvo::render;

namespace {

/// As many threads as there are cores, always at work.
class Load {
public:
    explicit Load(bool on) {
        for (unsigned i = 0; on && i < std::thread::hardware_concurrency(); ++i)
            threads_.emplace_back([this] {
                while (!stop_) continue;
            });
    }
    ~Load() {
        stop_ = true;
        for (std::thread& t : threads_) t.join();
    }

private:
    std::atomic<bool> stop_ = false;
    std::vector<std::thread> threads_;
};

void compare(const Project& p, const FloorPrediction& predicted, const MapChoice& choice, const PlanMap& map,
             QSize size) {
    const std::vector<float> values = lens_values(predicted, look_of(p, choice));
    std::vector<double> quick, plain;
    QImage picture;
    for (int i = 0; i < 101; ++i)
        for (const bool plainly : {false, true})
            (plainly ? plain : quick).push_back(milliseconds([&] {
                paint_heat_map(picture, predicted, values, choice, map, size, Palette::light(), plainly);
            }));
    const Figures q = figures(quick), s = figures(plain);
    std::printf(
        "  %-22s %-6s  in SIMD %5.2f ms (95 %% under %5.2f), pixel by pixel %5.2f ms (95 %% under %5.2f): "
        "%.1f times\n",
        lens(choice.lens).name.c_str(), choice.smooth ? "smooth" : "steps", q.median_ms, q.most_ms,
        s.median_ms, s.most_ms, s.median_ms / q.median_ms);
}

}  // namespace

int main() {
    const Project p = demo::make_demo();
    const Floor& floor = *find_floor(p, "First floor");
    Predictor predictor;
    const FloorPrediction predicted = predictor.predict(p, {floor.id}).floors.front();
    const QSize size(760, 620);
    const Box box = predicted.surface.box();
    const double px_per_m = std::min(size.width() / box.width(), size.height() / box.height());
    const PlanMap map{px_per_m, QPointF(-box.low.x * px_per_m, size.height() + box.low.y * px_per_m)};
    std::printf("colouring %d x %d px, %d x %d cells\n", size.width(), size.height(),
                predicted.surface.columns, predicted.surface.rows);
    for (const bool busy : {false, true}) {
        const Load load(busy);
        std::printf("%s\n", busy ? "while every core has other work:" : "on a quiet machine:");
        for (const bool smooth : {false, true})
            for (const LensId id : {LensId::signal, LensId::snr, LensId::contention}) {
                MapChoice choice{id, band_5, lens(id).limit};
                choice.smooth = smooth;
                compare(p, predicted, choice, map, size);
            }
    }
}
