// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/heat_map.h"

#include <cmath>
#include <limits>
#include <set>

#include "core/support.h"
#include "render/legend.h"

using namespace yemvo;
using namespace yemvo::render;

namespace {

/// A 20 m x 10 m floor at 1 m, all shown, with a value a cell.
struct MadeFloor {
    FloorPrediction floor;
    std::vector<float> values;
    explicit MadeFloor(const std::function<float(Point)>& value) {
        floor.surface.cell_m = 1;
        floor.surface.columns = 20;
        floor.surface.rows = 10;
        auto mask = std::make_shared<CellMask>();
        mask->shown.assign(200, 1);
        mask->inside = mask->demanded = mask->shown;
        floor.mask = mask;
        for (std::size_t i = 0; i < 200; ++i) values.push_back(value(floor.surface.centre(i)));
    }
    QImage paint(const MapChoice& choice) const {
        return paint_heat_map(floor, values, choice, map(), QSize(220, 120), Palette::light());
    }
    static PlanMap map() { return {10, QPointF(10, 110)}; }
};

const MapChoice low_limit{LensId::signal, band_5, -200};

}  // namespace

TEST_CASE("the middle of a step has the step's own colour, and weaker is another") {
    const MadeFloor floor([](Point) { return -57.5f; });
    const QColor middle = floor.paint(low_limit).pixelColor(110, 60);
    CHECK(middle == step_colour(Palette::light(), lens(LensId::signal), -57.5));
    CHECK(step_colour(Palette::light(), lens(LensId::signal), -57.5) !=
          step_colour(Palette::light(), lens(LensId::signal), -62.5));
    CHECK(step_colour(Palette::light(), lens(LensId::signal), -500) == Palette::light().steps.front());
    CHECK(step_colour(Palette::light(), lens(LensId::signal), 10) == Palette::light().steps.back());
}

TEST_CASE("the quick colouring is the plain one, whatever is shown and however near") {
    // slopes, plateaus on a step's limit, a jump at a wall, cells without a value, cells that are not shown
    MadeFloor floor([](Point p) {
        if (p.x > 17 && p.y > 7) return std::numeric_limits<float>::quiet_NaN();
        if (p.x > 14) return -65.0f;
        const double jump = p.y > 6 ? 18 : 0;
        return static_cast<float>(-40 - 2.1 * p.x - jump + 3 * std::sin(p.y));
    });
    auto mask = std::make_shared<CellMask>(*floor.floor.mask);
    for (std::size_t i = 0; i < 200; ++i)
        if (i % 37 == 0) mask->shown[i] = 0;
    floor.floor.mask = mask;
    const auto both = [&](const MapChoice& choice, double px_per_m) {
        const PlanMap map{px_per_m, QPointF(7.3, 10.6 * px_per_m)};
        const QSize size(static_cast<int>(22 * px_per_m), static_cast<int>(12 * px_per_m));
        QImage quick, plain;
        paint_heat_map(quick, floor.floor, floor.values, choice, map, size, Palette::light());
        paint_heat_map(plain, floor.floor, floor.values, choice, map, size, Palette::light(), true);
        int off = 0;
        for (int y = 0; y < size.height(); ++y)
            for (int x = 0; x < size.width(); ++x) {
                const QRgb a = quick.pixel(x, y), b = plain.pixel(x, y);
                const auto far = [](int v, int w) { return std::abs(v - w) > 2; };
                off += qAlpha(a) != qAlpha(b) || far(qRed(a), qRed(b)) || far(qGreen(a), qGreen(b)) ||
                       far(qBlue(a), qBlue(b));
            }
        INFO("at " << px_per_m << " px a metre: " << off << " pixels differ");
        CHECK(off <= size.width() * size.height() / 2000);
    };
    for (double zoom : {3.0, 7.7, 10.0, 41.0}) {
        MapChoice choice{LensId::signal, band_5, -67};
        both(choice, zoom);
        choice.smooth = true;
        both(choice, zoom);
        choice.opacity = 0.6;
        both(choice, zoom);
        choice = {LensId::contention, band_5, 2};  // less is better
        both(choice, zoom);
        choice = {LensId::signal, band_5, -67};
        choice.against = Against::last_edit;
        both(choice, zoom);
    }
}

TEST_CASE("nothing is painted outside the floor or where nothing is shown") {
    MadeFloor floor([](Point) { return -50.0f; });
    auto mask = std::make_shared<CellMask>(*floor.floor.mask);
    for (std::size_t i = 0; i < 200; ++i)
        if (floor.floor.surface.centre(i).x > 10) mask->shown[i] = 0;
    floor.floor.mask = mask;
    const QImage picture = floor.paint(low_limit);
    CHECK(picture.pixelColor(60, 60).alpha() == 255);
    CHECK(picture.pixelColor(160, 60).alpha() == 0);
    CHECK(picture.pixelColor(4, 60).alpha() == 0);
}

TEST_CASE("below the threshold the map is hatched, above it is not") {
    const MadeFloor floor([](Point p) { return p.x < 10 ? -80.5f : -52.5f; });
    const QImage picture = floor.paint({LensId::signal, band_5, -67});
    const auto colours = [&](int x0, int x1) {
        std::set<QRgb> found;
        for (int y = 40; y < 80; ++y)
            for (int x = x0; x < x1; ++x) found.insert(picture.pixel(x, y));
        return found.size();
    };
    CHECK(colours(30, 80) > 2);
    CHECK(colours(140, 190) == 1);
}

TEST_CASE("areas of different access points that meet have different tints") {
    const MadeFloor floor(
        [](Point p) { return static_cast<float>(1 + static_cast<int>(p.x / 5) * 6); });  // 1, 7, 13, 19
    const auto tints = serving_tints(floor.floor.surface, floor.values);
    REQUIRE(tints.size() == 4);
    CHECK(tints.at(1) != tints.at(7));
    CHECK(tints.at(7) != tints.at(13));
    CHECK(tints.at(13) != tints.at(19));
    const QImage picture = floor.paint({LensId::serving, band_5, 0});
    CHECK(picture.pixelColor(30, 60) == Palette::light().serving[tints.at(1)]);
    CHECK(picture.pixelColor(80, 60) == Palette::light().serving[tints.at(7)]);
}

TEST_CASE("the legend counts area by step and what keeps the threshold") {
    const MadeFloor floor([](Point p) { return p.x < 5 ? -72.5f : -47.5f; });
    const MapStatistics s = statistics(floor.floor, floor.values, {LensId::signal, band_5, -67});
    CHECK(s.share_kept == Approx(0.75));
    CHECK(s.by_step[3] == Approx(0.25));  // -75 to -70
    CHECK(s.by_step[8] == Approx(0.75));  // -50 to -45
    const LegendLayout legend({800, 600}, {LensId::signal, band_5, -67});
    CHECK(legend.value_at(legend.x_of(-72)) == -72);
    CHECK(legend.value_at(-1000) == lens(LensId::signal).low);
    CHECK(legend.handle().center().x() == Approx(legend.x_of(-67)));
    CHECK(legend.frame().right() <= 792);
}

TEST_CASE("where nothing is heard there is no colour, and the places beside it keep theirs") {
    const float nothing = std::numeric_limits<float>::quiet_NaN();
    const MadeFloor amounts([&](Point p) { return p.x > 10 ? nothing : -52.5f; });
    const MadeFloor numbers([&](Point p) { return p.x > 10 ? nothing : p.y > 5 ? 3.0f : 8.0f; });
    for (const bool smooth : {false, true}) {
        MapChoice choice = low_limit;
        choice.smooth = smooth;
        const QImage picture = amounts.paint(choice);
        CHECK(picture.pixelColor(60, 60).alpha() == 255);
        CHECK(picture.pixelColor(109, 60) == picture.pixelColor(60, 60));  // up to the cell's own rim
        for (int x = 112; x < 210; ++x) CHECK(picture.pixelColor(x, 60).alpha() == 0);
    }
    const QImage serving = numbers.paint({LensId::serving, band_5, 0});
    CHECK(serving.pixelColor(60, 30).alpha() == 255);
    CHECK(serving.pixelColor(60, 90) != serving.pixelColor(60, 30));
    CHECK(serving.pixelColor(160, 60).alpha() == 0);
    MadeFloor none([&](Point) { return nothing; });
    CHECK(none.paint(low_limit).pixelColor(60, 60).alpha() == 0);
}
