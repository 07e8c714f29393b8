// SPDX-License-Identifier: GPL-3.0-or-later
// Candidates that follow a move on the demo's first floor: predictions, maps and figures of each, worked out
// anew at every place.
#include "coverage/candidates.h"

#include "bench/timing.h"
#include "coverage/lens_map.h"
#include "demo/demo.h"
#include "project/gear_edits.h"

using namespace yemvo;
using namespace yemvo::bench;

int main() {
    const Project site = demo::compose_venue();
    const FloorId floor = find_floor(site, "First floor")->id;
    std::vector<AccessPoint> all{access_points(site, floor)[6]};
    for (const AccessPointModel& m : *site.models)
        if (all.size() < 4 && !(m.id == all.front().model)) {
            std::vector<Said> unused;
            all.push_back(as_model(site, all.front(), m, unused));
        }
    Predictor predictor;
    std::vector<double> each_ms, move_ms;
    double kept = 0;
    for (int step = 0; step < 60; ++step) {
        double move = 0;
        for (AccessPoint& ap : all) {
            ap.position.x -= 0.13;  // never twice at a place: nothing is kept from before
            const double ms = milliseconds([&] {
                const Project alone = with_one(site, floor, ap, false);
                const FloorPrediction p = predictor.predict(alone, {floor}).floors.front();
                LensChoice choice;
                choice.lens = LensId::signal;
                choice.bands = band_5;
                kept += double{lens_values(p, choice)[p.surface.cells() / 2]};
                kept += candidate_figures(alone, p, {floor, band_5, -67, {}}).area_m2;
            });
            each_ms.push_back(ms);
            move += ms;
        }
        move_ms.push_back(move);
    }
    std::printf("%zu candidates on the demo's first floor, 60 moves\n", all.size());
    print("one candidate follows a move", figures(each_ms));
    print("all of them", figures(move_ms));
    return kept == 0.123 ? 1 : 0;
}
