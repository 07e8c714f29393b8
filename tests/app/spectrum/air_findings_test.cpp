// SPDX-License-Identifier: GPL-3.0-or-later
// Rules of the air in the tray: their limit is changed there, and a zone is accepted as a whole.
#include <QCheckBox>
#include <QTableView>

#include "app/driver.h"
#include "app/findings/findings_page.h"
#include "app/forms/form.h"
#include "app/model/document.h"
#include "app/model/found_findings.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "app/picture.h"
#include "project/edits.h"
#include "project/gear_edits.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

struct AirDriver : Driver {
    AirDriver() {
        window.open_demo();
        look();
        window.action("view.findings")->trigger();
    }
    void look() {
        REQUIRE(settle());
        REQUIRE(QTest::qWaitFor([&] { return !window.is_checking(); }, 10'000));
        QTest::qWait(250);  // findings follow the prediction
        REQUIRE(QTest::qWaitFor([&] { return !window.is_checking(); }, 10'000));
    }
    int row_of(Rule rule, bool waived = false) {
        for (int r = 0; r < window.findings().model().rowCount(); ++r) {
            const Finding* f = window.findings().model().finding(r);
            if (f->rule == rule && f->waived.has_value() == waived) return r;
        }
        return -1;
    }
    int count(Rule rule, bool waived = false) {
        int n = 0;
        for (const Finding& f : *w().found().all()) n += f.rule == rule && f.waived.has_value() == waived;
        return n;
    }
    void choose(int row) { window.findings().table()->selectRow(row); }
    void retune_first_at_6(int number, const Channel& c, int primary) {
        w().edit("Retune", [&](Project& p) {
            for (const PlacedAccessPoint& placed : placed_access_points(p))
                if (placed.access_point->number == number) {
                    AccessPoint ap = *placed.access_point;
                    ap.radios[2].channel = c;
                    ap.radios[2].primary = primary;
                    replace_access_point(p, placed.floor->id, ap);
                    return;
                }
        });
    }
};

}  // namespace

TEST_CASE("what the air costs is found once it is known, and its limit is changed beside it") {
    AirDriver d;
    REQUIRE(d.count(Rule::air_lost) > 0);
    d.choose(d.row_of(Rule::air_lost));
    auto* limit = d.find<UnitField>("ruleLimit");
    REQUIRE(limit->isVisible());
    CHECK(number_in(limit->text()) == 10);
    picture(d.window, "air_finding");
    d.fill("ruleLimit", "95");
    d.look();
    CHECK(d.count(Rule::air_lost) == 0);
    CHECK(d.project().air.limits.at("air-lost") == 95);
    d.w().document().history().undo();
    d.look();
    CHECK(d.count(Rule::air_lost) > 0);
    CHECK(d.project().air.limits.empty());
}

TEST_CASE("a limit that cannot be is refused at its field") {
    AirDriver d;
    d.choose(d.row_of(Rule::air_lost));
    d.fill("ruleLimit", "4000");
    CHECK(d.project().air.limits.empty());
    d.fill("ruleLimit", "much");
    CHECK(d.project().air.limits.empty());
}

TEST_CASE("a rule broken by a radio is jumped to, mended, or accepted for its zone") {
    AirDriver d;
    CHECK(d.count(Rule::not_scanned) == 0);
    d.retune_first_at_6(1, {band_6, 7, 80}, 1);
    d.look();
    REQUIRE(d.count(Rule::not_scanned) == 1);
    d.choose(d.row_of(Rule::not_scanned));
    REQUIRE(d.w().selection().items().size() == 1);
    CHECK(d.w().in_view().marked_place().has_value());
    d.press_button("mend0");
    d.look();
    CHECK(d.count(Rule::not_scanned) == 0);
    d.w().document().history().undo();
    d.look();
    d.choose(d.row_of(Rule::not_scanned));
    auto* zone = d.find<QCheckBox>("waiveZone");
    REQUIRE(zone->isVisible());
    QTest::mouseClick(zone, Qt::LeftButton, {}, {8, 8});
    QTest::keyClicks(d.find<QLineEdit>("waiverNote"), "one plotter");
    d.press_button("waive");
    d.look();
    CHECK(d.count(Rule::not_scanned) == 0);
    CHECK(d.count(Rule::not_scanned, true) == 1);
    REQUIRE(d.project().waivers->size() >= 1);
    CHECK(d.project().waivers->back().zone);
}

TEST_CASE("a country that bars what the plan does is told at once, and mended for all as one edit") {
    AirDriver d;
    QString told;
    QObject::connect(&d.w(), &Workspace::told, [&](const QString& words, bool) { told = words; });
    CHECK(d.count(Rule::channel_barred) == 0);
    const Project before = d.project();
    // 6 GHz is not free there, and what is free at 5 GHz is less
    d.w().edit("Change country", [](Project& p) { p.settings.country = "CN"; });
    d.look();
    const int barred = d.count(Rule::channel_barred);
    REQUIRE(barred > 1);
    CHECK(told.contains("barred channels"));
    CHECK(d.window.findings().isVisible());
    const Finding* front =
        d.window.findings().model().finding(d.window.findings().table()->currentIndex().row());
    REQUIRE(front);
    CHECK(front->rule == Rule::channel_barred);
    // the first that can be mended offers to mend them all
    int row = -1;
    for (int r = 0; r < d.window.findings().model().rowCount() && row < 0; ++r) {
        const Finding* f = d.window.findings().model().finding(r);
        if (f->rule == Rule::channel_barred && !f->mends.empty()) row = r;
    }
    REQUIRE(row >= 0);
    d.choose(row);
    d.press_button("mendAll");
    d.look();
    CHECK(d.count(Rule::channel_barred) < barred);
    for (const Finding& f : *d.w().found().all())
        if (f.rule == Rule::channel_barred) CHECK(f.mends.empty());
    d.menu("edit.undo");
    d.menu("edit.undo");
    CHECK(d.project() == before);
}
