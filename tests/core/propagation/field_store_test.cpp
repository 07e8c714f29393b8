// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/field_store.h"

#include "core/support.h"
#include "coverage/lens_map.h"
#include "coverage/site_prediction.h"
#include "demo/demo.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

/// Obstructions traced by predicting the changed project after the first.
std::size_t traced_by(const std::function<void(Project&, FloorId, AccessPoint)>& change) {
    Project p = demo::compose_venue();
    Predictor predictor;
    predictor.predict(p);
    const std::size_t before = predictor.store().traced();
    const FloorId f = floor_at(p, 0);
    change(p, f, access_points(p, f).front());
    predictor.predict(p);
    return predictor.store().traced() - before;
}

}  // namespace

TEST_CASE("retuning, power, aim and switching trace nothing; a move traces one access point on each floor") {
    CHECK(traced_by([](Project& p, FloorId f, AccessPoint ap) {
              ap.radios[1] = retuned(ap.radios[1], band_5, 64, 80);
              ap.radios[0].power_dbm += 3;
              ap.radios[2].on = false;
              ap.azimuth_deg = 90;
              ap.downtilt_deg = 10;
              replace_access_point(p, f, ap);
          }) == 0);
    CHECK(traced_by([](Project& p, FloorId f, AccessPoint ap) {
              ap.position.x += 1;
              replace_access_point(p, f, ap);
          }) == 5);
}

TEST_CASE("going back to a project seen before traces nothing") {
    Project p = demo::compose_venue();
    Predictor predictor;
    predictor.predict(p);
    Project moved = p;
    AccessPoint ap = access_points(p, floor_at(p, 0)).front();
    ap.position.x += 2;
    replace_access_point(moved, floor_at(p, 0), ap);
    predictor.predict(moved);
    const std::size_t traced = predictor.store().traced();
    predictor.predict(p);
    predictor.predict(moved);
    CHECK(predictor.store().traced() == traced);
}

TEST_CASE("power adds to the map dB by dB") {
    Project p = one_floor();
    const AccessPointId id = isotropic_access_point(p, {5, 5});
    Predictor predictor;
    const auto signal = [&](const Project& q) {
        return lens_values(predictor.predict(q).floors[0], {LensId::signal, band_5});
    };
    const auto before = signal(p);
    AccessPoint ap = *find_access_point(p, floor_at(p, 0), id);
    ap.radios[1].power_dbm += 4;
    replace_access_point(p, floor_at(p, 0), ap);
    const auto after = signal(p);
    REQUIRE(before.size() == after.size());
    for (std::size_t i = 0; i < before.size(); ++i) REQUIRE(after[i] - before[i] == Approx(4).margin(0.001));
}

TEST_CASE("a floor with nothing on it has no cells, and no radio is told to be silent there") {
    Project p = new_project("Two", {}, 2, 3.5);
    wall(p, "brick-half", {{0, 0}, {10, 0}, {10, 8}, {0, 8}, {0, 0}});
    isotropic_access_point(p, {5, 5});
    SceneCache masks(1 << 20);
    const Scene scene = make_scene(p, masks);
    const Surface empty = make_surface(p, scene, *find_floor(p, floor_at(p, 1)));
    REQUIRE(empty.cells() == 0);
    CHECK_FALSE(is_silent_by_slabs(scene, empty, {5, 5, 2.5}, {}));
    Predictor predictor;
    CHECK(predictor.predict(p).floors.size() == 2);
}
