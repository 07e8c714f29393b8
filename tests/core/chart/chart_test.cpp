// SPDX-License-Identifier: GPL-3.0-or-later
// Charts that are painted here pixel by pixel, so that every number of them is known; those of another
// program are traced by the test "charts_of_matplotlib".
#include "chart/chart.h"

#include <cmath>
#include <functional>
#include <numbers>
#include <random>

#include "core/support.h"

using namespace yemvo;

namespace {

constexpr double degree = std::numbers::pi / 180;

/// A sheet that lines are drawn on, softened over a pixel at their edges.
class Paper {
public:
    Paper(int width, int height, Colour ground = {255, 255, 255}) : picture_{width, height, {}} {
        for (int i = 0; i < width * height; ++i)
            for (std::uint8_t c : {ground.red, ground.green, ground.blue}) picture_.rgb.push_back(c);
    }
    /// `distance(x, y)`: of a pixel's middle from the line.
    template <class Distance>
    void line(double width_px, Colour colour, Distance distance) {
        for (int y = 0; y < picture_.height; ++y)
            for (int x = 0; x < picture_.width; ++x) {
                const double ink = std::clamp(width_px / 2 + 0.5 - distance(x + 0.5, y + 0.5), 0.0, 1.0);
                if (ink <= 0) continue;
                std::uint8_t* at = picture_.rgb.data() + 3 * (y * picture_.width + x);
                const std::uint8_t full[] = {colour.red, colour.green, colour.blue};
                for (int c = 0; c < 3; ++c)
                    at[c] = static_cast<std::uint8_t>(std::lround(at[c] * (1 - ink) + full[c] * ink));
            }
    }
    void rings(Point centre, double outer, int count, Colour colour = {150, 150, 150}) {
        for (int i = 0; i < count; ++i)
            line(1, colour, [&, r = outer * (count - i) / count](double x, double y) {
                return std::abs(std::hypot(x - centre.x, y - centre.y) - r);
            });
    }
    void spokes(Point centre, double outer, double step_deg, double turn_deg = 0,
                Colour colour = {150, 150, 150}) {
        for (double a = turn_deg; a < 360 + turn_deg - 1e-6; a += step_deg)
            line(1, colour, [&](double x, double y) {
                const double along =
                    (x - centre.x) * std::sin(a * degree) - (y - centre.y) * std::cos(a * degree);
                const double aside =
                    (x - centre.x) * std::cos(a * degree) + (y - centre.y) * std::sin(a * degree);
                return along < 0 || along > outer ? 1e9 : std::abs(aside);
            });
    }
    /// `radius(direction)`: degrees clockwise from up.
    template <class Radius>
    void curve(Point centre, double width_px, Colour colour, Radius radius) {
        line(width_px, colour, [&](double x, double y) {
            const double r = std::hypot(x - centre.x, y - centre.y);
            const double a = std::atan2(x - centre.x, -(y - centre.y)) / degree;
            const double slope = (radius(a + 0.5) - radius(a - 0.5)) / degree;  // px a radian
            return std::abs(r - radius(a)) / std::hypot(1, slope / std::max(r, 1.0));
        });
    }
    const Picture& picture() const { return picture_; }
    Picture& edit() { return picture_; }

private:
    Picture picture_;
};

double lobe_db(double direction_deg) {
    const double a = std::remainder(direction_deg, 360);
    return std::max(-12 * a * a / (70 * 70), -22.0) + 1.5 * (std::cos(3 * a * degree) - 1);
}

struct Sheet {
    Point centre{210.3, 195.7};
    double outer = 150;
    Paper paper{430, 400};
    explicit Sheet(Colour colour = {180, 20, 20}) {
        paper.rings(centre, outer, 4);
        paper.spokes(centre, outer, 30);
        paper.curve(centre, 2, colour, [this](double a) { return outer * (1 + lobe_db(a) / 40); });
    }
};

double mean_off_db(const Cut& cut, double turn_deg = 0) {
    double sum = 0;
    for (int d = 0; d < 360; ++d) sum += std::abs(cut[d] - lobe_db(d + turn_deg));
    return sum / 360;
}

}  // namespace

TEST_CASE("a chart is found with its centre, rings and spokes to a fraction of a pixel") {
    const Sheet sheet;
    const auto charts = find_charts(sheet.paper.picture());
    REQUIRE(charts.size() == 1);
    const FoundChart& c = charts.front();
    CHECK(c.frame.centre_px.x == Approx(sheet.centre.x).margin(0.5));
    CHECK(c.frame.centre_px.y == Approx(sheet.centre.y).margin(0.5));
    CHECK(c.frame.outer_px == Approx(sheet.outer).margin(0.7));
    CHECK(c.rings_px.size() == 4);
    CHECK(c.spokes_deg.size() == 12);
    // nothing is printed on it: what rings and angles mean is guessed, and said to be
    CHECK(c.ring_db_guessed);
    CHECK(c.angles_guessed);
    CHECK(c.ring_db / c.frame.db_per_px == Approx(sheet.outer / 4).margin(0.3));
}

TEST_CASE("the curve is followed to a value at every degree") {
    const Sheet sheet;
    const auto charts = find_charts(sheet.paper.picture());
    REQUIRE(charts.size() == 1);
    const TracedCurve curve = follow_curve(sheet.paper.picture(), charts[0]);
    CHECK(mean_off_db(curve.cut) < 0.15);
    CHECK(curve.cut.highest() == 0);
    CHECK(curve.guessed_share() < 0.05);
    CHECK(curve.colour.red > 150);
    CHECK(curve.colour.green < 60);
    CHECK(curve.error_db > 0.1);
    CHECK(curve.error_db < 0.3);
}

TEST_CASE("what a person corrects is kept to: where 0 is, which way angles run, dB between rings") {
    const Sheet sheet;
    const FoundChart found = find_charts(sheet.paper.picture()).front();
    FoundChart corrected = found;
    corrected.frame.zero_deg = 90;
    corrected.frame.clockwise = false;
    const Cut turned = follow_curve(sheet.paper.picture(), corrected).cut;
    CHECK(turned[90] == Approx(lobe_db(0)).margin(0.3));
    CHECK(turned[40] == Approx(lobe_db(50)).margin(0.3));
    corrected = found;
    corrected.frame.db_per_px /= 2;
    const Cut half = follow_curve(sheet.paper.picture(), corrected).cut;
    CHECK(half[60] == Approx(lobe_db(60) / 2).margin(0.3));
}

namespace {

/// A sticker over 30 degrees of the curve.
Sheet with_sticker() {
    Sheet sheet;
    for (int y = 0; y < 400; ++y)
        for (int x = 0; x < 430; ++x) {
            const double a = std::atan2(x - sheet.centre.x, -(y - sheet.centre.y)) / degree;
            if (a > 60 && a < 90 && std::hypot(x - sheet.centre.x, y - sheet.centre.y) > 20)
                for (int c = 0; c < 3; ++c)
                    sheet.paper.edit().rgb[static_cast<std::size_t>(3 * (y * 430 + x) + c)] = 255;
        }
    return sheet;
}

Point on_sheet(const Sheet& sheet, double direction_deg, double db) {
    const double r = sheet.outer * (1 + db / 40);
    return {sheet.centre.x + r * std::sin(direction_deg * degree),
            sheet.centre.y - r * std::cos(direction_deg * degree)};
}

}  // namespace

TEST_CASE("a part of the curve that is not there is bridged and told as guessed") {
    const Sheet sheet = with_sticker();
    const FoundChart found = find_charts(sheet.paper.picture()).front();
    const TracedCurve curve = follow_curve(sheet.paper.picture(), found);
    int inside = 0, outside = 0;
    for (int d = 0; d < 360; ++d)
        (d > 61 && d < 89 ? inside : outside) += curve.guessed[static_cast<std::size_t>(d)];
    CHECK(inside >= 24);
    CHECK(outside < 12);
    CHECK(curve.cut[75] == Approx(lobe_db(75)).margin(4));
}

TEST_CASE("what was guessed is drawn by hand: a line along it, or a place that the curve goes through") {
    const Sheet sheet = with_sticker();
    const FoundChart found = find_charts(sheet.paper.picture()).front();
    CurveWishes wishes;
    wishes.through.emplace_back();
    for (double a = 58; a <= 92; a += 2) wishes.through.back().push_back(on_sheet(sheet, a, lobe_db(a)));
    const TracedCurve drawn = follow_curve(sheet.paper.picture(), found, wishes);
    for (int d = 60; d <= 90; ++d) {
        INFO(d);
        CHECK_FALSE(drawn.guessed[static_cast<std::size_t>(d)]);
        CHECK(drawn.cut[d] == Approx(lobe_db(d)).margin(0.3));
    }
    CHECK(mean_off_db(drawn.cut) < 0.15);
    // a place alone: straight to it from both sides, and between still told as guessed
    wishes.through = {{on_sheet(sheet, 75, -12)}};
    const TracedCurve bent = follow_curve(sheet.paper.picture(), found, wishes);
    CHECK(bent.cut[75] == Approx(-12).margin(0.3));
    CHECK_FALSE(bent.guessed[75]);
    CHECK(bent.guessed[68]);
    CHECK(bent.cut[120] == Approx(lobe_db(120)).margin(0.4));
}

TEST_CASE("a place told by hand leads away from a line that is not the curve, over the seam as well") {
    Sheet sheet;
    sheet.paper.curve(sheet.centre, 2, {180, 20, 20}, [&](double) { return 0.6 * sheet.outer; });
    const FoundChart found = find_charts(sheet.paper.picture()).front();
    CurveWishes wishes;
    wishes.through.emplace_back();
    for (int a = 0; a <= 360; a += 10) wishes.through.back().push_back(on_sheet(sheet, a + 175, -16));
    const Cut round = follow_curve(sheet.paper.picture(), found, wishes).cut;
    for (int d = 0; d < 360; d += 5) CHECK(round[d] == Approx(0).margin(0.3));
}

TEST_CASE("a chart without a curve can be drawn by hand from end to end") {
    Paper rings(400, 400);
    rings.rings({200, 200}, 150, 4);
    rings.spokes({200, 200}, 150, 30);
    const FoundChart found = find_charts(rings.picture()).front();
    CurveWishes wishes;
    wishes.through.emplace_back();
    for (int a = 0; a <= 360; a += 5)
        wishes.through.back().push_back(found.frame.centre_px +
                                        Point{std::sin(a * degree), -std::cos(a * degree)} *
                                            (150 * (1 + lobe_db(a) / 40)));
    const TracedCurve drawn = follow_curve(rings.picture(), found, wishes);
    CHECK(drawn.guessed_share() == 0);
    CHECK(mean_off_db(drawn.cut) < 0.15);
    // half of it is not enough
    wishes.through.back().resize(20);
    CHECK_THROWS_WITH(follow_curve(rings.picture(), found, wishes), Catch::Contains("directions alone"));
}

TEST_CASE("of two curves the one of a chosen colour is followed") {
    Sheet sheet;
    sheet.paper.curve(sheet.centre, 2, {20, 60, 200}, [&](double) { return 0.6 * sheet.outer; });
    const FoundChart found = find_charts(sheet.paper.picture()).front();
    CHECK(mean_off_db(follow_curve(sheet.paper.picture(), found, {Colour{180, 20, 20}}).cut) < 0.3);
    const Cut round = follow_curve(sheet.paper.picture(), found, {Colour{20, 60, 200}}).cut;
    for (int d = 0; d < 360; d += 15) CHECK(round[d] == Approx(0).margin(0.3));
}

TEST_CASE("a black curve among black rings, on noise and dark paper") {
    Sheet dark;
    dark.paper = Paper(430, 400, {20, 24, 30});
    dark.paper.rings(dark.centre, dark.outer, 4, {110, 120, 130});
    dark.paper.spokes(dark.centre, dark.outer, 30, 0, {110, 120, 130});
    dark.paper.curve(dark.centre, 2, {255, 220, 80},
                     [&](double a) { return dark.outer * (1 + lobe_db(a) / 40); });
    Sheet black({0, 0, 0});
    std::mt19937 random(2);
    std::normal_distribution<double> noise(0, 6);
    for (std::uint8_t& v : black.paper.edit().rgb)
        v = static_cast<std::uint8_t>(std::clamp(v + noise(random), 0.0, 255.0));
    for (const Sheet* sheet : {&dark, &black}) {
        const auto charts = find_charts(sheet->paper.picture());
        REQUIRE(charts.size() == 1);
        CHECK(mean_off_db(follow_curve(sheet->paper.picture(), charts[0]).cut) < 0.3);
    }
}

TEST_CASE("pictures without a chart, without a curve, too small or broken are told apart") {
    CHECK(find_charts(Paper(300, 300).picture()).empty());
    CHECK_THROWS_WITH(find_charts(Paper(30, 300).picture()), Catch::Contains("too small"));
    CHECK_THROWS_AS(find_charts(Picture{}), Error);
    CHECK_THROWS_AS(find_charts(Picture{500, 500, {1, 2, 3}}), Error);
    Paper rings(400, 400);
    rings.rings({200, 200}, 150, 4);
    rings.spokes({200, 200}, 150, 30);
    const auto charts = find_charts(rings.picture());
    REQUIRE(charts.size() == 1);
    CHECK_THROWS_AS(follow_curve(rings.picture(), charts[0]), Error);
    CHECK_THROWS_WITH(follow_curve(rings.picture(), charts[0], {Colour{200, 0, 0}}),
                      Catch::Contains("of 360 directions"));
    for (const auto& put : std::initializer_list<std::function<void(ChartFrame&)>>{
             [](ChartFrame& f) { f.centre_px.x = -3; }, [](ChartFrame& f) { f.centre_px.y = 9999; },
             [](ChartFrame& f) { f.outer_px = 1e6; }, [](ChartFrame& f) { f.outer_px = 0; },
             [](ChartFrame& f) { f.centre_px.x = std::nan(""); }, [](ChartFrame& f) { f.db_per_px = 0; }}) {
        FoundChart outside = charts[0];
        put(outside.frame);
        CHECK_THROWS_WITH(follow_curve(rings.picture(), outside), Catch::Contains("lie outside"));
    }
    std::mt19937 random(1);
    Paper noise(500, 500);
    for (std::uint8_t& v : noise.edit().rgb) v = static_cast<std::uint8_t>(random());
    CHECK(find_charts(noise.picture()).empty());
    CancelToken stop;
    stop.cancel();
    CHECK_THROWS_AS(find_charts(Sheet().paper.picture(), stop), Cancelled);
}
