// SPDX-License-Identifier: GPL-3.0-or-later
// Widths made plain through the window, and rates with the way back.
#include "app/spectrum/widths_page.h"

#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QTableView>
#include <QTableWidget>

#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/picture.h"
#include "app/spectrum/rates_panel.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

struct WidthDriver : Driver {
    WidthDriver() {
        window.open_demo();
        w().activity().set_step(Step::spectrum);
        REQUIRE(settle());
        menu("view.widths");
        REQUIRE(page().isVisible());
    }
    WidthsPage& page() { return window.widths(); }
    QString cell(int row, int column) { return page().table().index(row, column).data().toString(); }
};

}  // namespace

TEST_CASE("every width of every band is worked out, the best told, and what is old said to be") {
    WidthDriver d;
    CHECK(d.page().summary().contains("every band retuned at every width"));
    CHECK_FALSE(d.page().view().isVisible());
    d.press_button("widthsBegin");
    CHECK(d.page().is_working());
    REQUIRE(QTest::qWaitFor([&] { return !d.page().is_working() && d.page().table().study(); }, 60'000));
    QCoreApplication::processEvents();
    REQUIRE(d.page().table().rowCount() == 11);
    CHECK(d.page().view().isVisible());
    CHECK(d.page().summary().startsWith("Carries most: 2.4 GHz: 20 MHz"));
    CHECK(d.cell(0, WidthsTable::band_column) == "2.4");
    CHECK(d.cell(0, WidthsTable::width) == "20");
    CHECK(d.cell(0, WidthsTable::clear) == "4");  // 1, 5, 9 and 13
    CHECK(d.cell(0, WidthsTable::verdict).contains("best"));
    CHECK(d.cell(0, WidthsTable::verdict).contains("now"));
    CHECK(d.cell(1, WidthsTable::noise) == "+3");
    CHECK(d.cell(4, WidthsTable::clear).endsWith(" DFS"));
    CHECK(number_in(d.cell(4, WidthsTable::carried)) > 800);
    // 320 MHz: the demo's country frees one channel, its radios reach 160
    CHECK(d.cell(10, WidthsTable::width) == "320");
    picture(d.window, "widths");
    d.w().edit("Quieter", [](Project& p) { p.settings.heard_dbm = -80; });
    CHECK(d.page().summary().contains("before the last change"));
    // stopped it leaves what it had
    REQUIRE(d.settle());
    d.press_button("widthsBegin");
    d.press_button("widthsBegin");
    CHECK(d.page().table().rowCount() == 11);
    d.window.open_project(yemvo::test::one_floor(), {}, {});
    CHECK(d.page().table().rowCount() == 0);
}

TEST_CASE("rates of a standard, and the way back from one that was seen") {
    WidthDriver d;
    RatesPanel& rates = d.page().rates();
    const auto rate = [&](int mcs, int column) { return rates.table().item(mcs, column)->text(); };
    // 802.11ax, two streams, 0.8 us: clause 27.5
    CHECK(rates.table().rowCount() == 12);
    CHECK(rates.table().columnCount() == 5);
    CHECK(number_in(rate(11, 3)) == Approx(1201.0));
    CHECK(number_in(rate(0, 1)) == Approx(17.2));
    d.pick("rateStandard", "802.11n");
    CHECK(rates.table().rowCount() == 8);
    CHECK(number_in(rate(7, 2)) == Approx(270.0));
    d.pick("rateGuard", "0.4 µs");
    CHECK(number_in(rate(7, 2)) == Approx(300.0));
    d.pick("rateStandard", "802.11ac");
    CHECK(rate(9, 1) == QStringLiteral("–"));  // 20 MHz with two streams has no MCS 9
    CHECK(rates.answer() == "Type a rate to see how it is sent.");
    d.fill("rateSeen", "1201");
    CHECK(rates.answer().contains("80 MHz, 2 streams, MCS 11, 0.8 µs (ax, be)"));
    d.fill("rateSeen", "866.7");
    CHECK(rates.answer().contains("80 MHz, 2 streams, MCS 9, 0.4 µs (ac)"));
    d.fill("rateSeen", "1.5");
    CHECK(rates.answer().contains("No form"));
    d.fill("rateSeen", "fast");
    CHECK_FALSE(rates.answer().isEmpty());
    d.fill("rateSeen", "-3");
    CHECK_FALSE(rates.answer().contains("MCS"));
    picture(d.window, "rates");
}
