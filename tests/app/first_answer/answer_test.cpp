// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/driver.h"
#include "app/first_answer/answer_page.h"
#include "app/first_answer/answer_sheet.h"
#include "app/model/activity.h"
#include "app/picture.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

/// The demo's zones without its access points.
void open_empty_demo(Driver& d) {
    d.window.open_demo();
    d.w().edit("Take all away", [](Project& p) {
        for (Variant& v : p.variants) v.access_points.clear();
    });
}

}  // namespace

TEST_CASE("the first answer counts from zones and demand, and is placed as a start") {
    Driver d;
    open_empty_demo(d);
    d.menu("view.answer");
    AnswerPage& page = d.window.answer();
    REQUIRE(page.isVisible());
    turn_of_the_loop();
    picture(d.window, "answer");
    REQUIRE(page.answer());
    const int weekday = page.answer()->access_points;
    CHECK(weekday > 10);
    auto* sheet = d.find<AnswerSheet>("answerSheet");
    CHECK(sheet->words().startsWith(QString::number(weekday)));

    d.pick("answerHour", "Author's evening");
    CHECK(page.wish().hour == "evening");
    picture(d.window, "answer_evening");
    d.fill("answerClients", "20");
    CHECK(page.answer()->access_points > weekday);
    const int few = page.answer()->access_points;
    d.fill("answerClients", "0");  // refused at the field
    CHECK(page.answer()->access_points == few);

    // a bar of a chart tries its value
    const QRect bar = sheet->bar(2, 3);
    QTest::mouseClick(sheet, Qt::LeftButton, {}, bar.center());
    CHECK(page.wish().most_clients == 60);
    d.pick("answerWidth5", "80 MHz");
    CHECK(page.wish().bands[1].width_mhz == 80);

    const int now = page.answer()->access_points;
    d.press_button("placeStart");
    CHECK_FALSE(page.isVisible());
    CHECK(d.w().activity().step() == Step::placement);
    CHECK(placed_access_points(d.project()).size() == static_cast<std::size_t>(now));
    REQUIRE(d.settle());
    picture(d.window, "answer_placed");
    d.menu("edit.undo");
    CHECK(placed_access_points(d.project()).empty());
}

TEST_CASE("without zones the first answer is of length, width, floors, people and use") {
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    d.menu("view.answer");
    AnswerPage& page = d.window.answer();
    REQUIRE(page.answer());
    d.fill("answerLength", "60");
    d.fill("answerWidth", "20");
    d.fill("answerFloors", "3");
    d.fill("answerPeople", "240");
    CHECK(page.answer()->site.people == Approx(240));
    CHECK(page.answer()->floors.size() == 3);
    picture(d.window, "answer_size");
    CHECK_FALSE(d.find<QPushButton>("placeStart")->isEnabled());
    d.pick("answerFrom", "The zones of the project");
    CHECK_FALSE(page.answer());
    CHECK(d.find<AnswerSheet>("answerSheet")->words().contains("no zone needs service", Qt::CaseInsensitive));
    QTest::keyClick(&page, Qt::Key_Escape);
    CHECK_FALSE(page.isVisible());
}
