// SPDX-License-Identifier: GPL-3.0-or-later
// Where access points look: the lobe on the plan, the one in the link profile and the gain of a link are one,
// and handles turn and tilt.
#include "app/plan/aim.h"

#include <cmath>
#include <numbers>

#include "app/link_profile/link_chart.h"
#include "app/link_profile/link_profile_page.h"
#include "app/link_profile/tilt_aim.h"
#include "app/model/document.h"
#include "app/model/probing.h"
#include "app/one_placed.h"
#include "app/picture.h"
#include "project/edits.h"
#include "project/working_radio.h"
#include "propagation/explain.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;
using yemvo::test::check_value;

namespace {

/// One access point that is turned, and links from it.
struct Aimed {
    Aimed(std::string_view key, Mount mount, double azimuth_deg, double downtilt_deg) {
        for (const AccessPointModel& m : *all.models)
            if (m.key == key) id = add_access_point(all, yemvo::test::floor_at(all, 0), m.id, {15, 15});
        const FloorId floor = yemvo::test::floor_at(all, 0);
        AccessPoint changed = *find_access_point(all, floor, id);
        changed.mount = mount;
        changed.azimuth_deg = azimuth_deg;
        changed.downtilt_deg = downtilt_deg;
        changed.height_m = 10;
        replace_access_point(all, floor, changed);
        scene = make_scene(all, cache);
    }
    const AccessPoint& ap() const { return *find_access_point(all, floor().id, id); }
    const Floor& floor() const { return *find_floor(all, yemvo::test::floor_at(all, 0)); }
    LinkExplanation link(Point3 way) const {
        return explain(all, scene, floor(), ap(), 0, antenna_place(scene, floor(), ap()) + way);
    }
    /// Against the antenna's peak [dB].
    double traced_db(Point3 way) const {
        for (const LinkTerm& t : link(way).terms)
            if (t.kind == TermKind::antenna) return t.db - antenna().gain_dbi;
        return NAN;
    }
    Antenna antenna() const { return working_radio(all, ap(), 0).antenna; }
    double on_plan_db(double azimuth_deg) const {
        return lobe_along_horizon(all, ap(), 0).at(static_cast<std::size_t>(azimuth_deg / lobe_step_deg));
    }
    double from_the_side_db(Point3 way, double elevation_deg) const {
        const auto aim = TiltAim::of(all, scene, link(way));
        REQUIRE(aim);
        const double e = std::fmod(elevation_deg + 360, 360);
        return aim->lobe_from_the_side().at(static_cast<std::size_t>(e / TiltAim::lobe_step_deg));
    }
    Project all = yemvo::test::one_floor();
    SceneCache cache{std::size_t{1} << 24};
    Scene scene;
    AccessPointId id;
};

Point3 way_to(double azimuth_deg, double elevation_deg) {
    const double a = azimuth_deg * std::numbers::pi / 180, e = elevation_deg * std::numbers::pi / 180;
    return Point3{std::sin(a) * std::cos(e), std::cos(a) * std::cos(e), std::sin(e)} * 8;
}

}  // namespace

TEST_CASE("a link's gain is the lobe's in the direction worked out by hand: on a wall, tilted, on a pole") {
    struct Case {
        const char* check;  ///< local direction, worked out independently
        const char* model;
        Mount mount;
        double azimuth_deg, downtilt_deg;
        Point3 way;
    };
    for (const Case& c : {Case{"o.1", "wall-unit", Mount::pole, 30, 10, {10, 10, -2}},
                          Case{"o.3", "ceiling-tri", Mount::wall, 90, 0, {5, 1, -0.5}},
                          Case{"o.4", "aisle-unit", Mount::ceiling, 0, 0, {3, 0, -2}}}) {
        INFO(c.check);
        const Aimed d(c.model, c.mount, c.azimuth_deg, c.downtilt_deg);
        const std::string check = c.check;
        const LocalDirection local{check_value(check + "a"), check_value(check + "b")};
        CHECK(d.traced_db(c.way) == Approx(relative_gain_db(d.antenna().lobe, local)).margin(0.06));
    }
}

TEST_CASE("the lobe on the plan, the one from the side and the gain of links are one") {
    struct Case {
        const char* model;
        Mount mount;
        double azimuth_deg, downtilt_deg;
    };
    for (const Case& c :
         {Case{"wall-unit", Mount::wall, 30, 10}, Case{"outdoor-sector", Mount::pole, 216, 4},
          Case{"ceiling-tri", Mount::wall, 90, -20}, Case{"outdoor-omni", Mount::pole, 0, 8}}) {
        INFO(c.model);
        const Aimed d(c.model, c.mount, c.azimuth_deg, c.downtilt_deg);
        for (double azimuth = 0; azimuth < 360; azimuth += 18)
            CHECK(d.traced_db(way_to(azimuth, 0)) == Approx(d.on_plan_db(azimuth)).margin(0.03));
        for (double azimuth : {0.0, 30.0, 124.0})
            for (double elevation = -88; elevation <= 88; elevation += 22) {
                const Point3 way = way_to(azimuth, elevation);
                CHECK(d.traced_db(way) == Approx(d.from_the_side_db(way, elevation)).margin(0.03));
            }
        // the wedge on the plan points where the azimuth does, and the lobe is strongest there
        if (std::string_view(c.model) == "outdoor-omni") continue;
        const std::vector<double> around = lobe_along_horizon(d.all, d.ap(), 0);
        CHECK(d.on_plan_db(c.azimuth_deg) == Approx(*std::ranges::max_element(around)).margin(0.01));
    }
}

TEST_CASE("a handle in the link profile tilts the antenna, in one step that undoes") {
    OnePlaced d("wall-unit");
    d.w().edit("turn", [&](Project& p) {
        AccessPoint ap = d.ap();
        ap.azimuth_deg = 90;
        ap.height_m = 4;
        replace_access_point(p, d.w().floor_id(), ap);
        add_probe(p, d.w().floor_id(), {20, 10});
    });
    d.w().probing().choose(1);
    d.window.show_tray(d.window.findChild<LinkProfilePage*>());
    REQUIRE(d.settle());
    auto* chart = d.window.findChild<LinkChart*>();
    REQUIRE(chart);
    REQUIRE(chart->isVisible());
    const auto handle = chart->tilt_handle();
    REQUIRE(handle);
    const LinkExplanation before = *d.w().probing().place()->link();
    const int steps = d.w().document().history().count();
    const auto drag = [&](QPointF from, QPointF to) {
        QTest::mousePress(chart, Qt::LeftButton, {}, from.toPoint());
        for (int i = 1; i <= 4; ++i) {
            const QPointF at = from + (to - from) * (i / 4.0);
            QMouseEvent e(QEvent::MouseMove, at, chart->mapToGlobal(at), Qt::NoButton, Qt::LeftButton, {});
            QApplication::sendEvent(chart, &e);
        }
        QTest::mouseRelease(chart, Qt::LeftButton, {}, to.toPoint());
    };
    drag(*handle, *handle + QPointF(-18, 30));
    const double tilt = d.ap().downtilt_deg;
    CHECK(tilt > 5);
    CHECK(d.w().document().history().count() == steps + 1);
    REQUIRE(d.settle());
    picture(d.window, "tilt");
    // it stands where it was let go, and the sum follows
    CHECK(chart->tilt_handle()->y() > handle->y() + 15);
    const LinkExplanation after = *d.w().probing().place()->link();
    CHECK(after.received_dbm != before.received_dbm);
    CHECK(d.find<QLineEdit>("apTilt")->text().contains(QString::number(static_cast<int>(tilt))));
    d.w().edit("lock", [](Project& p) { p.display.locked.push_back(ItemKind::access_point); });
    REQUIRE(d.settle());
    CHECK_FALSE(chart->tilt_handle());
    d.menu("edit.undo");
    d.menu("edit.undo");
    CHECK(d.ap().downtilt_deg == 0);
    REQUIRE(d.settle());
    CHECK(d.w().probing().place()->link()->received_dbm == Approx(before.received_dbm));
}

TEST_CASE("what looks nowhere in particular has no handle to tilt it") {
    OnePlaced d("ceiling-tri");
    d.w().edit("probe", [&](Project& p) { add_probe(p, d.w().floor_id(), {20, 10}); });
    d.w().probing().choose(1);
    REQUIRE(d.settle());
    CHECK_FALSE(d.window.findChild<LinkChart*>()->tilt_handle());
}
