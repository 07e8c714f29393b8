// SPDX-License-Identifier: GPL-3.0-or-later
// Candidates side by side, as a person holds them against each other.
#include "app/candidates/candidates_page.h"

#include <QClipboard>
#include <QPushButton>
#include <QTableWidget>

#include "app/model/document.h"
#include "app/one_placed.h"
#include "project/gear_edits.h"
#include "render/tr.h"

using namespace yemvo;
using namespace yemvo::app;
using yemvo::app::test::Driver;
using yemvo::app::test::turn_of_the_loop;

namespace {

struct Hall : yemvo::app::test::OnePlaced {
    Hall() : OnePlaced("ceiling-tri", {15, 15}) {
        press_button("apCandidates");
        worked_out();
    }
    CandidatesPage& page() { return window.candidates(); }
    void worked_out() {
        REQUIRE(QTest::qWaitFor([this] { return page().is_idle(); }, 10000));
        turn_of_the_loop();
    }
    CandidateMap& map(int i) { return *find<CandidateMap>(("candidateMap" + std::to_string(i)).c_str()); }
    const CandidateFigures& figures(std::size_t i) { return page().result(i)->figures; }
    QString cell(const QString& row, int column) {
        auto* table = find<QTableWidget>("candidateTable");
        for (int r = 0; r < table->rowCount(); ++r)
            if (table->verticalHeaderItem(r)->text().startsWith(row)) return table->item(r, column)->text();
        FAIL("no row " << row.toStdString());
        return {};
    }
};

}  // namespace

TEST_CASE(
    "the page opens with the access point as it is placed and another model, maps and figures worked out") {
    Hall d;
    REQUIRE(d.page().candidates().size() == 2);
    CHECK(d.page().candidates()[0] == d.ap());
    CHECK_FALSE(d.page().candidates()[1].model == d.ap().model);
    CHECK(d.figures(0).area_m2 > 100);
    CHECK(number_in(d.cell(tr("Conducted power, dBm"), 0)) == Approx(d.ap().radios[1].power_dbm));
    CHECK(number_in(d.cell(tr("Price"), 0)) == 420);
    CHECK(number_in(d.cell(tr("Price"), 2)) == -210);  // 2 less 1: the entry model
    CHECK(d.map(0).grab().toImage() != d.map(1).grab().toImage());
}

TEST_CASE("an access point dragged in one map moves in all; nothing of the project changes") {
    Hall d;
    const Project before = d.project();
    const QPointF from = d.map(1).place_px(), to = from + QPointF(40, 0);
    QTest::mousePress(&d.map(1), Qt::LeftButton, {}, from.toPoint());
    QMouseEvent e(QEvent::MouseMove, to, d.map(1).mapToGlobal(to), Qt::NoButton, Qt::LeftButton,
                  Qt::NoModifier);
    QApplication::sendEvent(&d.map(1), &e);
    QTest::mouseRelease(&d.map(1), Qt::LeftButton, {}, to.toPoint());
    d.worked_out();
    CHECK(d.page().candidates()[0].position.x > 17);
    CHECK(d.page().candidates()[1].position == d.page().candidates()[0].position);
    CHECK(d.map(0).place_px().x() == Approx(to.x()).margin(4));
    CHECK(d.project() == before);
}

TEST_CASE("model, radios, power, source and surroundings of a candidate change its figures") {
    Hall d;
    d.pick("candidateModel1", "High density, second radio 5 or 6 GHz");
    d.worked_out();
    CHECK(d.figures(1).gain_dbi == 4.5);
    d.press_button("candidate1Radio1");  // its first 5 GHz radio off
    d.worked_out();
    CHECK_FALSE(d.figures(1).radio);
    CHECK(d.cell(tr("EIRP"), 1) == tr("none"));
    d.press_button("candidateBand2");  // 6 GHz
    d.worked_out();
    CHECK(d.figures(1).gain_dbi == 8);
    d.fill("candidatePower1", "20");
    d.worked_out();
    CHECK(d.figures(1).power_dbm == 20);
    const double walled_m2 = d.figures(1).area_m2;
    d.pick("candidatePlace", tr("in the open"));
    d.worked_out();
    CHECK(d.figures(1).area_m2 > walled_m2);
    d.pick("candidateSource0", "802.3af: 2.4 and 5 GHz, 6 GHz off");
    d.worked_out();
    CHECK_FALSE(d.figures(0).radio);
    const double reach_m = d.figures(1).behind_walls_m;
    d.pick("candidateWall0",
           QString::fromStdString(wall_type(d.project(), find_type(d.project(), "concrete-200")).name));
    d.worked_out();
    CHECK(d.figures(1).behind_walls_m < reach_m);
}

TEST_CASE(
    "up to four candidates stand side by side; one is taken away; the chosen one is used, undone by one "
    "step") {
    Hall d;
    d.press_button("addCandidate");
    d.press_button("addCandidate");
    d.worked_out();
    CHECK(d.page().candidates().size() == 4);
    CHECK_FALSE(d.find<QPushButton>("addCandidate")->isEnabled());
    d.press_button("candidateRemove3");
    QCoreApplication::processEvents();
    d.worked_out();
    CHECK(d.page().candidates().size() == 3);
    d.press_button("copyCandidates");
    CHECK(QApplication::clipboard()->text().count('\n') == 11);
    QTest::keyClick(&d.page(), Qt::Key_2);
    const AccessPoint wanted = d.page().candidates()[1];
    d.press_main("useCandidate");
    CHECK(d.ap().model == wanted.model);
    CHECK(d.ap().id == d.id);
    CHECK_FALSE(d.page().isVisible());
    d.menu("edit.undo");
    CHECK(model(d.project(), d.ap().model).key == "ceiling-tri");
}

TEST_CASE("without an access point the page does not open, and says why") {
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    QString told;
    QObject::connect(&d.w(), &Workspace::told, [&](const QString& said, bool) { told = said; });
    d.menu("view.candidates");
    CHECK_FALSE(d.window.candidates().isVisible());
    CHECK_FALSE(told.isEmpty());
}

TEST_CASE("a candidate whose model an undo takes away is no candidate any more") {
    Hall d;
    ModelId made;
    d.w().edit("New model", [&](Project& p) {
        AccessPointModel twin = p.models->front();
        twin.name = "Twin";
        made = add_model(p, twin);
    });
    d.press_button("addCandidate");
    d.pick("candidateModel2", "Twin");
    d.worked_out();
    CHECK(d.page().candidates()[2].model == made);
    d.w().document().history().undo();
    d.worked_out();
    CHECK(d.page().candidates().size() == 2);
    CHECK(d.page().isVisible());
}
