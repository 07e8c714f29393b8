// SPDX-License-Identifier: GPL-3.0-or-later
// Demand through the window: from an empty zone to what is carried.
#include <QTableWidget>

#include "app/demand/demand_page.h"
#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"
#include "app/picture.h"
#include "capacity/site_capacity.h"
#include "project/edits.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

const SiteCapacity* wait_for_capacity(Driver& d) {
    REQUIRE(d.settle());
    return d.w().results().find<SiteCapacity>();
}

QString cell(QTableWidget* table, int row, int column) { return table->item(row, column)->text(); }

int row_of(QTableWidget* table, const QString& name) {
    for (int r = 0; r < table->rowCount(); ++r)
        if (cell(table, r, 0) == name) return r;
    return -1;
}

}  // namespace

TEST_CASE("the demo's demand is told by zone, and what of it is carried") {
    Driver d;
    d.window.open_demo();
    d.w().activity().set_step(Step::demand);
    REQUIRE(wait_for_capacity(d));
    picture(d.window, "demand");
    QTableWidget* table = d.window.demand().table();
    REQUIRE(table->isVisible());
    const int hall = row_of(table, "Auditorium");
    REQUIRE(hall >= 0);
    CHECK(number_in(cell(table, hall, 2)) == Approx(29).margin(1));
    QTest::mouseClick(table->viewport(), Qt::LeftButton, {},
                      table->visualItemRect(table->item(hall, 0)).center());
    REQUIRE(d.w().selection().items().size() == 1);
    picture(d.window, "demand_zone");
    d.window.demand().hour()->setCurrentIndex(1);
    emit d.window.demand().hour()->activated(1);
    REQUIRE(wait_for_capacity(d));
    picture(d.window, "demand_evening");
    CHECK(number_in(cell(table, row_of(table, "Auditorium"), 2)) == Approx(285).margin(1));
}
