// SPDX-License-Identifier: GPL-3.0-or-later
#include <QListWidget>

#include "app/driver.h"
#include "app/model/document.h"

using namespace yemvo;
using namespace yemvo::app;
using yemvo::app::test::Driver;

TEST_CASE("the history lists the edits, and a click goes back to one or forward again") {
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    d.key(Qt::Key_H, Qt::ControlModifier);
    auto* list = d.find<QListWidget>("history");
    REQUIRE(list->isVisible());
    REQUIRE(list->count() == 1);
    d.w().edit("Draw wall", [](Project& p) { yemvo::test::wall(p, "plasterboard", {{0, 0}, {4, 0}}); });
    d.w().edit("Rename site", [](Project& p) { p.name = "Mill"; });
    REQUIRE(list->count() == 3);
    CHECK(list->item(1)->text() == "Draw wall");
    CHECK(list->currentRow() == 2);
    const auto click = [&](int row) {
        QTest::mouseClick(list->viewport(), Qt::LeftButton, Qt::NoModifier,
                          list->visualItemRect(list->item(row)).center());
    };
    click(0);
    CHECK(d.floor().walls->empty());
    CHECK(list->currentRow() == 0);
    CHECK(list->count() == 3);
    click(1);
    CHECK(d.floor().walls->size() == 1);
    CHECK(d.project().name != "Mill");
    list->setCurrentRow(2);
    QTest::keyClick(list, Qt::Key_Return);
    CHECK(d.project().name == "Mill");
    CHECK_FALSE(d.w().document().history().canRedo());
}
