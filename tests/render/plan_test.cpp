// SPDX-License-Identifier: GPL-3.0-or-later
#include <QBuffer>
#include <set>

#include "core/support.h"
#include "demo/demo.h"
#include "render/plan_marks.h"
#include "render/plan_picture.h"
#include "render/plan_walls.h"
#include "render/text_style.h"

using namespace yemvo;
using namespace yemvo::render;

TEST_CASE("metres and pixels turn into each other, y up there and down here") {
    const PlanMap map = PlanMap::fit({{0, 0}, {60, 35}}, {0, 0, 600, 600});
    CHECK(map.px_per_m == Approx(10));
    CHECK(map.to_screen(Point{0, 0}).y() > map.to_screen(Point{0, 35}).y());
    const Point back = map.to_floor(map.to_screen(Point{12.5, 7.25}));
    CHECK(back.x == Approx(12.5));
    CHECK(back.y == Approx(7.25));
}

TEST_CASE("walls are drawn as thick as they are and a door leaves a gap") {
    Project p = test::one_floor();
    const WallId id = test::wall(p, "concrete-200", {{1, 5}, {9, 5}});
    Opening door;
    door.type = find_type(p, "door-timber");
    door.start_m = 3.5;
    door.width_m = 1;
    add_opening(p, test::floor_at(p, 0), id, door);
    QImage plan(1000, 1000, QImage::Format_ARGB32_Premultiplied);
    plan.fill(Qt::white);
    QPainter painter(&plan);
    paint_walls(painter, p, *all_floors(p)[0], {100, QPointF(0, 1000)}, QRectF(0, 0, 1000, 1000),
                Palette::light(), false);
    painter.end();
    const auto column = [&](int x) {
        int dark = 0;
        for (int y = 400; y < 600; ++y) dark += plan.pixelColor(x, y) == Palette::light().concrete;
        return dark;
    };
    CHECK(std::abs(column(250) - 20) <= 1);  // 200 mm at 100 px a metre
    CHECK(column(500) == 0);
}

TEST_CASE("a share is never rounded up to what it did not reach") {
    CHECK(percent(0.9499) == "94.9 %");
    CHECK(percent(0.95) == "95.0 %");
    CHECK(percent(1) == "100.0 %");
    CHECK(percent(0.9999) == "99.9 %");
    CHECK(figure(-67) == QString::fromUtf8("\u221267"));
}

TEST_CASE("the picture to hand out fills its width and shows map, walls and legend") {
    const Project p = demo::make_demo();
    Predictor predictor;
    const SitePrediction site = predictor.predict(p);
    const QImage picture =
        plan_picture(p, *find_floor(p, "First floor"), *site.find(find_floor(p, "First floor")->id),
                     {LensId::signal, band_5, -67});
    CHECK(picture.width() == 1600);
    CHECK(picture.height() > 900);
    std::set<QRgb> colours;
    for (int y = 0; y < picture.height(); y += 3)
        for (int x = 0; x < picture.width(); x += 3) colours.insert(picture.pixel(x, y));
    const auto has = [&](const QColor& c) { return colours.contains(c.rgb()); };
    CHECK(has(Palette::light().brick));
    CHECK(has(Palette::light().steps[8]));
    CHECK(has(Palette::light().not_met));
    CHECK(has(Palette::light().band(band_6).solid));
}

TEST_CASE(
    "a picture of a change has its colours and its name; without anything to hold against it has the "
    "values") {
    const Project p = demo::compose_venue();
    const FloorId floor = find_floor(p, "First floor")->id;
    Project louder = p;
    AccessPoint ap = access_points(p, floor)[0];
    for (Radio& r : ap.radios) r.power_dbm += 6;
    replace_access_point(louder, floor, ap);
    Predictor predictor;
    const FloorPrediction before = predictor.predict(p, {floor}).floors.front(),
                          now = predictor.predict(louder, {floor}).floors.front();
    MapChoice choice{LensId::signal, band_5, -67};
    const QImage plain = plan_picture(louder, *find_floor(louder, floor), now, choice);
    choice.against = Against::last_edit;
    CHECK(plan_picture(louder, *find_floor(louder, floor), now, choice) == plain);
    const QImage change =
        plan_picture(louder, *find_floor(louder, floor), now, choice, {&p, &before, "by the last edit"});
    CHECK(change.size() == plain.size());
    // beside the louder access point it is better by 6 dB: the third step up from the middle
    int better = 0;
    const QColor blue = Palette::light().change[8];
    for (int y = 0; y < change.height(); y += 4)
        for (int x = 0; x < change.width(); x += 4) better += change.pixelColor(x, y) == blue;
    CHECK(better > 200);
}
