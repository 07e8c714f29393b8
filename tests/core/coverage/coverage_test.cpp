// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/support.h"
#include "coverage/probe.h"
#include "coverage/verdict.h"
#include "wireless/link_budget.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

/// 10 m x 10 m, closed, with two isotropic access points.
Project room() {
    Project p = one_floor();
    wall(p, "plasterboard", {{0, 0}, {10, 0}, {10, 10}, {0, 10}, {0, 0}});
    isotropic_access_point(p, {2.25, 5.25}, 1.0);
    isotropic_access_point(p, {7.75, 5.25}, 1.0);
    return p;
}

Requirement require(const char* lens_key, double limit, double share) {
    return {{}, lens_key, band_5, limit, share};
}

}  // namespace

TEST_CASE("the table of lenses is whole: each has a key, a unit or a choice, a range and a meaning") {
    for (const LensInfo& info : lenses()) {
        CHECK(&lens(info.id) == &info);
        CHECK(find_lens(info.key) == info.id);
        CHECK(info.meaning.size() > 20);
        if (info.is_choice()) continue;
        CHECK_FALSE(info.unit.empty());
        CHECK((info.high() - info.low) / info.step == Approx(12));
        CHECK(info.limit > info.low);
        CHECK(info.limit < info.high());
    }
    CHECK_FALSE(find_lens("colour"));
}

TEST_CASE("signal is the stronger of two, next-best the other, serving its number, SNR over the noise") {
    const Project p = room();
    Predictor predictor;
    const FloorPrediction f = predictor.predict(p).floors.front();
    const std::size_t cell = *f.surface.cell_at({3.25, 5.25});
    REQUIRE(f.surface.centre(cell) == Point{3.25, 5.25});
    const Radio& radio = access_points(p, floor_at(p, 0))[0].radios[1];
    const double near = radio.power_dbm - free_space_loss_db(centre_mhz(radio.channel), 1.0);
    const double far = radio.power_dbm - free_space_loss_db(centre_mhz(radio.channel), 4.5);
    CHECK(lens_values(f, {LensId::signal, band_5})[cell] == Approx(near).margin(0.02));
    CHECK(lens_values(f, {LensId::next_best, band_5})[cell] == Approx(far).margin(0.02));
    CHECK(lens_values(f, {LensId::serving, band_5})[cell] == 1);
    CHECK(lens_values(f, {LensId::serving, band_5})[*f.surface.cell_at({6.25, 5.25})] == 2);
    CHECK(lens_values(f, {LensId::snr, band_5})[cell] ==
          Approx(near - noise_dbm(radio.channel.width_mhz, 7)).margin(0.02));
}

TEST_CASE("the next-best signal is never of the serving access point's own second radio") {
    Project p = one_floor();
    auto models = *p.models;
    RadioModel second = models[1].radios[1];
    models[1].radios[2] = second;  // two radios at 5 GHz
    p.models = models;
    isotropic_access_point(p, {5, 5});
    Predictor predictor;
    const auto values = lens_values(predictor.predict(p).floors[0], {LensId::next_best, band_5});
    CHECK(std::all_of(values.begin(), values.end(), [](float v) { return std::isnan(v); }));
}

TEST_CASE("the map and the explanation tell the same at every cell") {
    const Project p = room();
    Predictor predictor;
    const FloorPrediction f = predictor.predict(p).floors.front();
    SceneCache masks(1 << 20);
    const Scene scene = make_scene(p, masks);
    for (const Band& b : bands()) {
        const auto signal = lens_values(f, {LensId::signal, b.id});
        for (std::size_t i = 0; i < f.surface.cells(); i += 7) {
            const auto links = probe(p, scene, *all_floors(p)[0], f.surface.centre(i));
            const auto best = std::find_if(links.begin(), links.end(),
                                           [&](const LinkExplanation& l) { return l.channel.band == b.id; });
            REQUIRE(best != links.end());
            CHECK(best->received_dbm == Approx(signal[i]).margin(0.05));
        }
    }
}

TEST_CASE("the probe lists every radio that is on, strongest first") {
    Project p = room();
    AccessPoint ap = access_points(p, floor_at(p, 0))[0];
    ap.radios[0].on = false;
    replace_access_point(p, floor_at(p, 0), ap);
    SceneCache masks(1 << 20);
    const auto links = probe(p, make_scene(p, masks), *all_floors(p)[0], {1, 1});
    CHECK(links.size() == 5);
    CHECK(std::is_sorted(links.begin(), links.end(),
                         [](auto& a, auto& b) { return a.received_dbm > b.received_dbm; }));
}

TEST_CASE("shares are of demanded area: served zones if there are any, else all inside the walls") {
    Project p = room();
    set_requirements(p, {require("signal", -200, 0.9)});
    Predictor predictor;
    Verdict v = judge(p, predictor.predict(p));
    CHECK(v.requirements[0].site.asked == Approx(100));
    CHECK(v.requirements[0].share_met() == 1);
    CHECK(v.met());

    const ZoneId zone =
        add_zone(p, floor_at(p, 0), {{}, "Z", ZoneKind::served, {{0, 0}, {5, 0}, {5, 10}, {0, 10}}});
    add_zone(p, floor_at(p, 0), {{}, "Shaft", ZoneKind::not_needed, {{0, 0}, {2, 0}, {2, 2}, {0, 2}}});
    v = judge(p, predictor.predict(p));
    CHECK(v.requirements[0].site.asked == Approx(46));
    REQUIRE(v.zones.size() == 1);
    CHECK(v.zones[0].zone == zone);
}

TEST_CASE("a verdict counts the cells that keep the limit and names the worst place") {
    Project p = room();
    // beyond 4 m of the nearer access point the limit is missed
    const Radio& radio = access_points(p, floor_at(p, 0))[0].radios[1];
    const double limit = radio.power_dbm - free_space_loss_db(centre_mhz(radio.channel), 4.0);
    set_requirements(p, {require("signal", limit, 0.9)});
    Predictor predictor;
    const Verdict v = judge(p, predictor.predict(p));
    double kept = 0;
    for (double x = 0.25; x < 10; x += 0.5)
        for (double y = 0.25; y < 10; y += 0.5)
            kept +=
                std::min(std::hypot(x - 2.25, y - 5.25), std::hypot(x - 7.75, y - 5.25)) <= 4.0 ? 0.25 : 0;
    CHECK(v.requirements[0].share_met() == Approx(kept / 100).margin(0.011));
    CHECK_FALSE(v.met());
    const Worst worst = *v.requirements[0].floors[0].worst;
    // the far corners are the farthest from both
    CHECK(std::min(worst.place.y, 10 - worst.place.y) == Approx(0.25));
    CHECK(worst.value < limit);
}

TEST_CASE("all requirements of a band together are never met on more area than the least of them") {
    Project p = room();
    set_requirements(p,
                     {require("signal", -45, 0.9), require("next_best", -55, 0.9), require("snr", 40, 0.9)});
    Predictor predictor;
    const Verdict v = judge(p, predictor.predict(p));
    double least = 1;
    for (const RequirementResult& r : v.requirements) least = std::min(least, r.share_met());
    REQUIRE(v.bands.size() == 1);
    CHECK(v.bands[0].share_met() <= least + 1e-9);
    CHECK(v.bands[0].share_met() > 0);
    CHECK(v.floors[0].share_met() == Approx(v.bands[0].share_met()));
}

TEST_CASE("nothing required is not met, and an unknown lens is named") {
    Project p = room();
    set_requirements(p, {});
    Predictor predictor;
    CHECK_FALSE(judge(p, predictor.predict(p)).met());
    set_requirements(p, {require("colour", 1, 0.9)});
    CHECK_THROWS_WITH(judge(p, predictor.predict(p)), Catch::Contains("colour"));
}

TEST_CASE("near is less than a percent point short") {
    CHECK(outcome(0.95, 0.95) == Outcome::met);
    CHECK(outcome(0.945, 0.95) == Outcome::near);
    CHECK(outcome(0.93, 0.95) == Outcome::not_met);
}

TEST_CASE("an empty floor has no cells and breaks nothing") {
    const Project p = one_floor();
    Predictor predictor;
    const SitePrediction site = predictor.predict(p);
    CHECK(site.floors[0].surface.cells() == 0);
    CHECK(judge(p, site).requirements[0].site.asked == 0);
}
