// SPDX-License-Identifier: GPL-3.0-or-later
// Proof and differences, as a person uses them.
#include <QClipboard>

#include "app/costs/costs_page.h"
#include "app/driver.h"
#include "app/map/lens_bar.h"
#include "app/model/activity.h"
#include "app/model/in_view.h"
#include "app/model/map_results.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/proof/missed_places.h"
#include "app/proof/proof_page.h"
#include "app/proof/proof_table.h"
#include "app/proof/verdict_view.h"
#include "app/proof/worst_cards.h"
#include "project/edits.h"
#include "render/legend.h"
#include "render/text_style.h"

using namespace yemvo;
using namespace yemvo::app;
using yemvo::app::test::Driver;
using yemvo::app::test::turn_of_the_loop;

namespace {

struct Proof : Driver {
    Proof() {
        window.open_demo();
        REQUIRE(settle());
        w().activity().set_step(Step::proof);
        REQUIRE(settle());
    }
    ProofTable& table() { return window.proof().table(); }
    const Requirement& required(const char* lens_key, const char* set) {
        for (const RequirementSet& s : *project().requirement_sets)
            if (s.name == set)
                for (const Requirement& r : s.requirements)
                    if (r.lens == lens_key) return r;
        throw std::logic_error("the demo does not require that");
    }
    int column(const QString& name) {
        for (int i = 0; i < table().place_count(); ++i)
            if (table().place_name(i) == name) return i;
        return -1;
    }
    void click_figure(int row, int place, BandId band) {
        QTest::mouseClick(&table(), Qt::LeftButton, {}, table().figure_rect(row, place, band).center());
    }
};

}  // namespace

TEST_CASE("the proof shows each requirement for the venue and every floor as the verdict has it") {
    Proof d;
    const Requirement& r = d.required("signal", "Public library");
    const int row = d.table().row_of(r.id);
    REQUIRE(row > 0);
    const RequirementResult* result = d.w().results().verdict()->find(r.id);
    REQUIRE(result);
    CHECK(d.table().place_name(0) == "Venue");
    for (const char* floor : {"Basement", "Ground floor", "First floor", "Second floor", "Garden"})
        CHECK(d.column(floor) > 0);
    // rounded down: 99.97 % is not all of it
    const auto shown = [](double share) {
        return share == 1 ? QString("100") : render::figure(std::floor(1000 * share) / 10, 1);
    };
    for (BandId b : {band_24, band_5, band_6})
        CHECK(d.table().figure_text(row, 0, b) == shown(result->site.share_met(b)));
    for (const PlaceResult& f : result->floors) {
        const QString name = QString::fromStdString(find_floor(d.project(), f.floor)->name);
        CHECK(d.table().figure_text(row, d.column(name), band_5) == shown(f.share_met(band_5)));
    }
    // the last row says what the header says
    for (const BandResult& b : d.w().results().verdict()->bands)
        CHECK(d.table().figure_text(d.table().row_count() - 1, 0, b.band) + " %" ==
              render::percent(b.share_met()));
    // what is not asked in a band has a dash
    const int rate = d.table().row_of(d.required("rate_down", "Public library").id);
    CHECK(d.table().figure_text(rate, 0, band_24) == QString::fromUtf8("–"));
}

TEST_CASE("a click on a figure goes where it comes from: floor, lens, band, limit and the worst place") {
    Proof d;
    const Requirement& r = d.required("snr", "Public library");
    const int row = d.table().row_of(r.id);
    d.window.resize(1700, 800);
    turn_of_the_loop();
    d.click_figure(row, d.column("First floor"), band_6);
    CHECK(d.floor().name == "First floor");
    CHECK(d.w().shown().map().lens == LensId::snr);
    CHECK(d.w().shown().map().bands == BandSet(band_6));
    CHECK(d.w().shown().map().threshold == r.limit);
    CHECK(d.w().selection().requirement() == r.id);
    const RequirementResult* result = d.w().results().verdict()->find(r.id);
    for (const PlaceResult& f : result->floors)
        if (f.floor == d.floor().id && f.worst->band == band_6) {
            REQUIRE(d.w().in_view().marked_place());
            CHECK(*d.w().in_view().marked_place() == f.worst->place);
            CHECK(double{d.map_at(f.worst->place)} == Approx(f.worst->value).margin(0.02));
        }
}

TEST_CASE("the table is walked by the keyboard and copied as text") {
    Proof d;
    d.table().setFocus();
    for (int i = 0; i < 3; ++i) QTest::keyClick(&d.table(), Qt::Key_Down);
    QTest::keyClick(&d.table(), Qt::Key_Right);
    QTest::keyClick(&d.table(), Qt::Key_Return);
    CHECK(find_requirement(d.project(), d.w().selection().requirement()));
    QTest::keyClick(&d.table(), Qt::Key_C, Qt::ControlModifier);
    const QString text = QApplication::clipboard()->text();
    CHECK(text.startsWith("Requirement\tLimit\tArea\tVenue 2.4 GHz"));
    CHECK(text.contains("All of them"));
    CHECK(text.contains(QString::fromUtf8("≥ 25 dB\t95 %")));
}

TEST_CASE("by zone, the columns are the zones of the floor in view") {
    Proof d;
    for (auto* b : d.window.findChildren<QToolButton*>())
        if (b->text() == "By zone") QTest::mouseClick(b, Qt::LeftButton);
    CHECK(d.column("Auditorium") > 0);
    CHECK(d.column("Book stacks") < 0);
    d.w().in_view().show_floor(find_floor(d.project(), "First floor")->id);
    CHECK(d.column("Auditorium") < 0);
    REQUIRE(d.column("Book stacks") > 0);
    const int row = d.table().row_of(d.required("snr", "Public library").id);
    CHECK(d.table().figure_text(row, d.column("Book stacks"), band_5) != QString::fromUtf8("–"));
}

TEST_CASE("the worst places are cards; a click goes there") {
    Proof d;
    WorstCards& cards = d.window.proof().cards();
    REQUIRE(cards.count() >= 2);
    const WorstPlace place = d.w().results().find<MissedPlaces>()->places.front();
    CHECK(cards.words(0).size() == 4);
    CHECK(cards.words(0)[2].contains(QString::fromUtf8("m² ")));
    QTest::mouseClick(&cards, Qt::LeftButton, {}, cards.card_rect(0).center());
    CHECK(d.w().floor_id() == place.floor);
    REQUIRE(d.w().in_view().marked_place());
    CHECK(*d.w().in_view().marked_place() == place.place);
    CHECK(d.w().selection().requirement() == place.requirement);
}

TEST_CASE("without anything required or placed the proof says what comes first") {
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    d.w().activity().set_step(Step::proof);
    CHECK(proof_lacks(d.project()).contains("placed"));
    CHECK_FALSE(d.window.proof().table().isVisible());
    d.press_button("proofNext");
    CHECK(d.w().activity().step() == Step::placement);
    CHECK(d.w().activity().tool() == ToolId::access_point);
    d.w().activity().set_step(Step::proof);
    d.w().edit("None", [](Project& p) { p.requirement_sets = {}; });
    CHECK(proof_lacks(d.project()).contains("required"));
}

TEST_CASE(
    "the map shows the change by the last edit while an access point is moved, and after undo nothing") {
    Driver d;
    d.window.open_demo();
    REQUIRE(d.settle());
    d.w().activity().set_step(Step::placement);
    REQUIRE(d.settle());
    d.menu("variant.compare-last-edit");
    CHECK(d.w().shown().map().against == render::Against::last_edit);
    CHECK_FALSE(d.w().shown().held_against());
    const AccessPoint ap = access_points(d.project(), d.floor().id)[3];
    d.drag(ap.position, ap.position + Point{5, 3});
    REQUIRE(d.settle());
    const HeldAgainst* other = d.w().results().find<HeldAgainst>();
    REQUIRE(other);
    CHECK(access_points(*other->project, d.floor().id)[3].position == ap.position);
    const auto values = render::map_values(d.project(), *d.w().results().floor_prediction(),
                                           d.w().shown().map(), other->project.get(), &other->floor);
    const auto at = [&](Point p) { return values[*d.w().results().floor_prediction()->surface.cell_at(p)]; };
    CHECK(at(ap.position) < -3);
    CHECK(at(ap.position + Point{5, 3}) > 3);
    CHECK(std::abs(at({3, 25})) < 0.5f);
    // worse and better places have the two ends of the palette
    const QColor worse = d.pixel(ap.position - Point{0.8, 0.3}),
                 better = d.pixel(ap.position + Point{5.9, 3.4});
    CHECK(worse.red() > worse.blue());
    CHECK(better.blue() > better.red());
    d.menu("edit.undo");
    REQUIRE(d.settle());
    CHECK_FALSE(d.w().shown().held_against());
    CHECK_FALSE(d.w().results().find<HeldAgainst>());
    d.menu("variant.compare-last-edit");
    CHECK(d.w().shown().map().against == render::Against::nothing);
}

TEST_CASE("two variants are held against each other") {
    Driver d;
    d.window.asking().name = [](const QString&, const QString&) { return QString("B"); };
    d.window.open_demo();
    REQUIRE(d.settle());
    d.w().activity().set_step(Step::placement);
    d.menu("variant.compare-next");
    CHECK(d.w().shown().map().against == render::Against::nothing);  // there is only one
    d.menu("variant.new");
    const AccessPoint ap = access_points(d.project(), d.floor().id)[3];
    d.w().edit("Louder", [&](Project& p) {
        AccessPoint louder = ap;
        for (Radio& r : louder.radios) r.power_dbm += 3;
        replace_access_point(p, d.floor().id, louder);
    });
    d.menu("variant.compare-next");
    REQUIRE(d.settle());
    CHECK(d.w().shown().other_name() == "against variant A");
    const HeldAgainst* other = d.w().results().find<HeldAgainst>();
    REQUIRE(other);
    const auto values = render::map_values(d.project(), *d.w().results().floor_prediction(),
                                           d.w().shown().map(), other->project.get(), &other->floor);
    CHECK(values[*d.w().results().floor_prediction()->surface.cell_at(ap.position)] ==
          Approx(3).margin(0.02));
    const render::MapStatistics s =
        render::statistics(*d.w().results().floor_prediction(), values, d.w().shown().map());
    CHECK(s.share_better > 0.1);
    CHECK(s.share_worse == 0);
    // opened anew, nothing is held against anything, and the same choice brings it again
    d.window.open_project(Project(d.project()), {});
    REQUIRE(d.settle());
    CHECK_FALSE(d.w().results().find<HeldAgainst>());
    d.w().activity().set_step(Step::placement);
    d.menu("variant.compare-next");
    REQUIRE(d.settle());
    CHECK(d.w().results().find<HeldAgainst>());
}

TEST_CASE("what costs most over a zone is listed; a click selects it on the plan") {
    Driver d;
    d.window.open_demo();
    REQUIRE(d.settle());
    d.w().activity().set_step(Step::placement);
    d.w().in_view().show_floor(find_floor(d.project(), "First floor")->id);
    REQUIRE(d.settle());
    d.menu("view.costs");
    CostsPage& page = d.window.costs();
    REQUIRE(page.isVisible());
    d.pick("costsArea", "Book stacks");
    REQUIRE(QTest::qWaitFor(
        [&] { return page.is_idle() && page.costs().area_m2 > 200 && page.costs().area_m2 < 260; }, 5000));
    turn_of_the_loop();
    REQUIRE(page.table()->rowCount() >= 1);
    CHECK(page.table()->item(0, 0)->text() ==
          QString::fromStdString(wall_type(d.project(), find_type(d.project(), "stack-books")).name));
    CHECK(page.table()->item(0, 1)->text().endsWith(" dB"));
    emit page.table()->cellClicked(0, 0);
    CHECK(d.w().selection().items().size() == 9);
    for (const Item& i : d.w().selection().items()) CHECK(i.kind == ItemKind::obstacle);
}

TEST_CASE("details of an access point tell what its failure leaves unserved, as a switched off one shows") {
    Driver d;
    d.window.open_demo();
    REQUIRE(d.settle());
    d.w().activity().set_step(Step::placement);
    const FloorId floor = d.floor().id;
    const AccessPoint ap = access_points(d.project(), floor)[1];
    d.w().selection().select({{ItemKind::access_point, ap.id.value}});
    turn_of_the_loop();
    const QString words = d.find<QLabel>("apFailure")->text();
    CHECK(words.contains("of the site at 5 GHz"));
    const auto served = [&] {
        double area = 0;
        const double asked = signal_asked_dbm(d.project(), band_5);
        for (const FloorPrediction& p : d.w().results().prediction()->site.floors) {
            const auto values = lens_values(p, {LensId::signal, band_5});
            for (std::size_t i = 0; i < values.size(); ++i)
                if (p.mask->demanded[i] && double{values[i]} >= asked) area += 0.25;
        }
        return area;
    };
    double demanded = 0;
    for (const FloorPrediction& p : d.w().results().prediction()->site.floors)
        for (auto m : p.mask->demanded) demanded += 0.25 * m;
    const double before = served();
    d.w().edit("Off", [&](Project& p) {
        AccessPoint off = ap;
        for (Radio& r : off.radios) r.on = false;
        replace_access_point(p, floor, off);
    });
    REQUIRE(d.settle());
    const double share = 100 * (before - served()) / demanded;
    CHECK(share > 0.5);
    // shares are told rounded down
    const double told = number_in(words.section(' ', 0, 0));
    CHECK(told <= share);
    CHECK(told > share - 0.1);
}

TEST_CASE("a floor that was judged on a coarser grid is removed while Proof is shown") {
    Driver d;
    Project p = new_project("Field", {LengthUnits::metres, "GB", 1.2, 7}, 2, 4);
    const FloorId large = yemvo::test::floor_at(p, 1);
    add_outer_walls(p, large, first_type(p, TypeUse::wall), 1200, 1000);
    add_access_point(p, large, p.models->front().id, {50, 50});
    p.settings.grid_m = 0.25;
    d.window.open_project(p, {});
    d.w().activity().set_step(Step::proof);
    REQUIRE(
        QTest::qWaitFor([&] { return d.window.runner().is_idle() && d.w().results().verdict(); }, 60'000));
    REQUIRE_FALSE(d.w().results().verdict()->coarse.empty());
    d.w().edit("Remove floor", [&](Project& x) { remove_floor(x, large); });
    d.window.proof().grab();  // while the verdict is still of the floor that is gone
    REQUIRE(QTest::qWaitFor([&] { return d.window.runner().is_idle(); }, 60'000));
    CHECK(all_floors(d.project()).size() == 1);
}

TEST_CASE("a band in use that nothing is required of is told with the verdict") {
    Driver d;
    d.window.open_demo();
    REQUIRE(d.settle());
    CHECK(bands_not_judged(d.project()).empty());
    d.w().edit("Only 5 GHz", [](Project& p) {
        for (RequirementSet& set : p.requirement_sets.edit())
            for (Requirement& r : set.requirements) r.bands = band_5;
    });
    d.w().activity().set_step(Step::proof);
    REQUIRE(d.settle());
    QStringList told;
    for (const QLabel* label : d.window.proof().findChildren<QLabel*>()) told << label->text();
    CHECK(told.join("\n").contains("2.4 and 6 GHz in use without any requirement"));
    CHECK(d.find<VerdictView>("verdict")->toolTip().contains("Nothing is required at 2.4 and 6 GHz"));
}
