// SPDX-License-Identifier: GPL-3.0-or-later
// Fits of point pairs against values worked out otherwise.
#include <random>

#include "base/error.h"
#include "core/support.h"
#include "geometry/similarity_fit.h"
#include "venue/drawing.h"

using namespace yemvo;

namespace {

/// The least squares found by plain search over turn and scale, the shift following from them: slow, and
/// without the closed form.
double least_rms(const std::vector<PointPair>& pairs, bool scaled) {
    Point from, to;
    const double n = static_cast<double>(pairs.size());
    for (const PointPair& p : pairs) {
        from = from + p.here * (1 / n);
        to = to + p.there * (1 / n);
    }
    const auto rms = [&](double turn, double scale) {
        double sum = 0;
        for (const PointPair& p : pairs) {
            const Point q = Similarity{scale, turn, {}}.apply(p.here - from) + to;
            sum += dot(q - p.there, q - p.there);
        }
        return std::sqrt(sum / n);
    };
    double turn = 0, scale = 1, best = rms(0, 1);
    for (double t = -180; t < 180; t += 0.5)
        if (rms(t, 1) < best) best = rms(turn = t, 1);
    for (double step = 0.25; step > 1e-9; step /= 2)
        for (int i = 0; i < 8; ++i)
            for (const auto& [dt, ds] : {std::pair{1.0, 0.0}, {-1.0, 0.0}, {0.0, 0.02}, {0.0, -0.02}}) {
                if (ds != 0 && !scaled) continue;
                const double v = rms(turn + dt * step, scale + ds * step);
                if (v < best) {
                    best = v;
                    turn += dt * step;
                    scale += ds * step;
                }
            }
    return best;
}

}  // namespace

TEST_CASE("exact pairs give back shift, turn and scale to the last digits") {
    std::mt19937 dice(3);
    std::uniform_real_distribution<> place(-80, 80), turn(-180, 180), scale(0.2, 5);
    for (int round = 0; round < 100; ++round) {
        const Similarity truth{scale(dice), turn(dice), {place(dice), place(dice)}};
        std::vector<PointPair> pairs;
        for (int i = 0; i < 2 + round % 4; ++i) {
            const Point p{place(dice), place(dice)};
            pairs.push_back({p, truth.apply(p)});
        }
        const SimilarityFit fit = fit_similarity(pairs, Freedom::shift_turn_scale);
        CHECK(fit.map.scale == Approx(truth.scale).epsilon(1e-9));
        CHECK(wrapped_deg(fit.map.turn_deg - truth.turn_deg) == Approx(0).margin(1e-8));
        CHECK(distance(fit.map.shift, truth.shift) < 1e-7);
        CHECK(fit.rms_m < 1e-9);
        CHECK_FALSE(fit.outlier);
    }
}

TEST_CASE("noisy pairs are fitted with the least squares that a search finds") {
    std::mt19937 dice(5);
    std::uniform_real_distribution<> place(0, 60), turn(-180, 180);
    std::normal_distribution<> noise(0, 0.08);
    for (int round = 0; round < 12; ++round) {
        const Similarity truth{1.02, turn(dice), {place(dice), place(dice)}};
        std::vector<PointPair> pairs;
        for (int i = 0; i < 4 + round % 3; ++i) {
            const Point p{place(dice), place(dice)};
            pairs.push_back({p, truth.apply(p) + Point{noise(dice), noise(dice)}});
        }
        for (const bool scaled : {false, true}) {
            const auto fit = fit_similarity(pairs, scaled ? Freedom::shift_turn_scale : Freedom::shift_turn);
            const double found = least_rms(pairs, scaled);
            CHECK(fit.rms_m <= found + 1e-9);
            CHECK(fit.rms_m == Approx(found).epsilon(1e-3));
            double sum = 0;
            for (double r : fit.residual_m) sum += r * r;
            CHECK(std::sqrt(sum / static_cast<double>(pairs.size())) == Approx(fit.rms_m));
        }
    }
}

TEST_CASE("the pair that disagrees is named, and nobody is blamed where that cannot be told") {
    std::mt19937 dice(9);
    std::uniform_real_distribution<> place(0, 60);
    std::normal_distribution<> noise(0, 0.01);
    const Similarity truth{1, 7, {3, -2}};
    for (std::size_t bad = 0; bad < 5; ++bad) {
        std::vector<PointPair> pairs;
        for (Point p : {Point{0, 0}, {60, 0}, {60, 35}, {0, 35}, {30, 18}})
            pairs.push_back({p, truth.apply(p) + Point{noise(dice), noise(dice)}});
        for (const Freedom f : {Freedom::shift_turn, Freedom::shift_turn_scale})
            CHECK_FALSE(fit_similarity(pairs, f).outlier);
        pairs[bad].there = pairs[bad].there + Point{0.7, -0.4};
        for (const Freedom f : {Freedom::shift_turn, Freedom::shift_turn_scale}) {
            const auto fit = fit_similarity(pairs, f);
            REQUIRE(fit.outlier);
            CHECK(*fit.outlier == bad);
            CHECK(fit.rms_without_outlier_m < 0.03);
        }
    }
    // two pairs fit always; three with scale leave two, which fit always: none can be named
    const std::vector<PointPair> three{{{0, 0}, {0, 0}}, {{10, 0}, {10, 0}}, {{0, 10}, {3, 10}}};
    CHECK_FALSE(fit_similarity(three, Freedom::shift_turn_scale).outlier);
}

TEST_CASE("too few pairs, or all in one place, is told") {
    CHECK_THROWS_AS(fit_similarity({}, Freedom::shift), Error);
    CHECK_THROWS_AS(fit_similarity({{{0, 0}, {1, 1}}}, Freedom::shift_turn), Error);
    CHECK_THROWS_WITH(fit_similarity({{{1, 1}, {0, 0}}, {{1, 1}, {5, 5}}}, Freedom::shift_turn),
                      Catch::Contains("coincide"));
    CHECK(fit_similarity({{{1, 2}, {4, 6}}}, Freedom::shift).map.shift == Point{3, 4});
}

TEST_CASE("similarities composed and inverted do what they do one after the other") {
    const Similarity a{2, 30, {5, 1}}, b{0.5, -100, {-2, 8}};
    const Point p{3, -4};
    CHECK(distance(compose(a, b).apply(p), a.apply(b.apply(p))) < 1e-12);
    CHECK(distance(inverse(a).apply(a.apply(p)), p) < 1e-12);
    CHECK(distance(about({7, 7}, 33, 1.5).apply({7, 7}), {7, 7}) < 1e-12);
    const PointMap map(a);
    CHECK(distance(map.apply(p), a.apply(p)) < 1e-12);
    CHECK(distance(map.invert(a.apply(p)), p) < 1e-12);
    CHECK(wrapped_deg(270) == -90);
    CHECK(wrapped_deg(-180) == 180);
}

TEST_CASE("a scale by several lengths is their least squares, each disagreement in its own share") {
    // drawn 100, 200 and 300 units; known 10, 20.4 and 30 m: s = (1000 + 4080 + 9000) / 140000
    const ScaleFit fit = fit_scale({{100, 10}, {200, 20.4}, {300, 30}});
    CHECK(fit.metres_per_unit == Approx(14080.0 / 140000));
    CHECK(fit.disagreement[0] == Approx(0.0057143).epsilon(1e-4));
    CHECK(fit.disagreement[1] == Approx(-0.0140056).epsilon(1e-4));
    CHECK(fit.worst() == Approx(-0.0140056).epsilon(1e-4));
    CHECK_THROWS_AS(fit_scale({{100, 0}}), Error);
    CHECK_THROWS_AS(fit_scale({{0, 5}}), Error);
    CHECK_THROWS_AS(fit_scale({{100, NAN}}), Error);
}

TEST_CASE("a drawing scaled by known lengths keeps the first place; without lengths it is not to scale") {
    Drawing d;
    d.source.sheet = {{0, 0}, {1000, 500}};
    d.placement = {0.05, 12, {3, 20}};
    const Point first = d.to_venue({100, 100});
    d.lengths = {{{100, 100}, {500, 400}, 12.5}};
    const Drawing one = scaled_by_lengths(d);
    CHECK(distance(one.to_venue({100, 100}), first) < 1e-9);
    CHECK(distance(one.to_venue({100, 100}), one.to_venue({500, 400})) == Approx(12.5));
    CHECK(one.scale_by == ScaleBy::lengths);
    CHECK(one.placement.turn_deg == 12);
    Drawing none = one;
    none.lengths.clear();
    CHECK_FALSE(scaled_by_lengths(none).to_scale());
    CHECK(metres_per_point(100) == Approx(0.0352778).epsilon(1e-5));
}

TEST_CASE(
    "a newer revision takes the place of the older: same paper at another resolution, or CAD coordinates") {
    Drawing d;
    d.source.asset = "a.png";
    d.source.sheet = {{0, 0}, {1000, 500}};
    d.crop = {{100, 100}, {900, 100}, {900, 400}, {100, 400}};
    d.lengths = {{{100, 100}, {300, 100}, 10}};
    d.placement = {0.05, 20, {3, 20}};
    d.scale_by = ScaleBy::lengths;
    DrawingSource finer = d.source;
    finer.asset = "b.png";
    finer.sheet = {{0, 0}, {3000, 1500}};
    const Drawing r = revised(d, finer, "b");
    for (Point p : {Point{0, 0}, {1000, 500}, {250, 400}})
        CHECK(distance(r.to_venue(p * 3), d.to_venue(p)) < 1e-9);
    CHECK(distance(r.crop[2], {2700, 1200}) < 1e-9);
    CHECK(distance(r.lengths[0].b, {900, 300}) < 1e-9);
    REQUIRE(r.earlier);
    CHECK(r.earlier->source.asset == "a.png");
    CHECK(r.earlier->placement == d.placement);

    DrawingSource larger = d.source;  // a larger sheet at the same resolution grows to the right and below
    larger.sheet = {{0, 0}, {1400, 900}};
    const Drawing grown = revised(d, larger, "c");
    CHECK(grown.placement == d.placement);

    Drawing cad = d;
    cad.source.kind = DrawingKind::dxf;
    DrawingSource moved = cad.source;
    moved.sheet = {{-500, -200}, {1100, 600}};
    CHECK(revised(cad, moved, "d").placement == cad.placement);
}
