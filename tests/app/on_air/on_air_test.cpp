// SPDX-License-Identifier: GPL-3.0-or-later
// A capture read through the window, without any project.
#include <QComboBox>
#include <QFile>
#include <QLineEdit>
#include <QPushButton>
#include <QTableView>
#include <QTemporaryDir>

#include "app/driver.h"
#include "app/on_air/air_board.h"
#include "app/on_air/heard_table.h"
#include "app/on_air/on_air_page.h"
#include "app/on_air/rule_list.h"
#include "app/picture.h"
#include "app/shell/status_line.h"
#include "test_data.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

struct AirDriver : Driver {
    OnAirPage& page() { return window.on_air(); }
    void open(const char* name) {
        window.asking().open_file = [name](const QString&, const QString&) {
            return QString::fromStdString(yemvo::test::test_data() + "/air/" + name);
        };
        window.action("view.on-air")->trigger();
        REQUIRE(page().isVisible());
        press_button("airOpen");
        REQUIRE(QTest::qWaitFor([&] { return page().behind().is_idle(); }, 10'000));
        QCoreApplication::processEvents();
    }
    int row(const char* name) {
        for (int r = 0; r < page().table()->model()->rowCount(); ++r)
            if (page().table()->model()->index(r, HeardTable::name).data().toString().startsWith(name))
                return r;
        return -1;
    }
    int rule(const char* key) {
        for (std::size_t i = 0; i < page().rules().lines().size(); ++i)
            if (page().rules().lines()[i].key == key) return static_cast<int>(i);
        return -1;
    }
};

}  // namespace

TEST_CASE("a capture is read without a plan: table, board and rules are one selection") {
    AirDriver d;
    d.open("pier.pcapng");
    REQUIRE(d.page().table()->model()->rowCount() == 11);
    CHECK(d.page().summary().contains("pier.pcapng"));
    CHECK(d.page().board().board().blocks.size() == 10);  // two names are one radio
    picture(d.window, "on_air");
    const int workshop = d.row("Workshop 2");
    REQUIRE(workshop >= 0);
    d.page().table()->scrollTo(d.page().table()->model()->index(workshop, 0));
    QTest::mouseClick(d.page().table()->viewport(), Qt::LeftButton, {},
                      d.page().table()->visualRect(d.page().table()->model()->index(workshop, 0)).center());
    int selected = 0;
    for (const render::BoardBlock& b : d.page().board().board().blocks) selected += b.selected;
    CHECK(selected == 1);
    // from the board to the table
    AirBoard& board = d.page().board();
    for (std::size_t i = 0; i < board.networks().size(); ++i)
        if (d.page().air()->networks[board.networks()[i]].ssid == "tidewatch") {
            QTest::mouseClick(&board, Qt::LeftButton, {}, board.arranged().rect(i).center().toPoint());
            break;
        }
    REQUIRE(d.page().chosen());
    CHECK(d.page().air()->networks[*d.page().chosen()].ssid == "tidewatch");
    // from a rule to what it is about
    const int wide = d.rule("wide-24");
    REQUIRE(wide >= 0);
    CHECK(d.page().rules().head(d.page().rules().lines()[static_cast<std::size_t>(wide)]).contains("fails"));
    d.page().rules().scrollToItem(d.page().rules().item(wide));
    QTest::mouseClick(d.page().rules().viewport(), Qt::LeftButton, {},
                      d.page().rules().visualItemRect(d.page().rules().item(wide)).center());
    CHECK(d.page().air()->networks[*d.page().chosen()].channel.width_mhz == 40);
    picture(d.window, "on_air_rule");
}

TEST_CASE("rows are filtered by words and band, and what is shown is exported") {
    AirDriver d;
    d.open("pier.pcap");
    QTest::keyClicks(d.find<QLineEdit>("airFilter"), "pier 4");
    CHECK(d.page().table()->model()->rowCount() == 4);
    d.find<QLineEdit>("airFilter")->clear();
    for (auto* b : d.page().findChildren<QToolButton*>("segment"))
        if (b->accessibleName().startsWith("6")) QTest::mouseClick(b, Qt::LeftButton);
    CHECK(d.page().table()->model()->rowCount() == 3);
    const QTemporaryDir folder;
    d.window.asking().save_file = [&](const QString&, const QString& proposed, const QString&) {
        return folder.path() + "/" + proposed;
    };
    d.press_button("airExport");
    QFile file(folder.path() + "/pier.csv");
    REQUIRE(file.open(QIODevice::ReadOnly));
    const QStringList lines = QString::fromUtf8(file.readAll()).split("\r\n", Qt::SkipEmptyParts);
    REQUIRE(lines.size() == 4);
    CHECK(lines[0].startsWith("\"Network\""));
    CHECK(lines.filter("drawing office").size() == 1);
    CHECK(lines.filter("\"320\"").size() == 1);
    d.window.asking().save_file = [&](const QString&, const QString&, const QString&) {
        return folder.path() + "/no/where.csv";
    };
    d.press_button("airExport");
    CHECK(d.window.status().message().contains("could not be written"));
}

TEST_CASE("another country has other rules, and a file that cannot be read leaves what is there") {
    AirDriver d;
    d.open("pier.pcap");
    const auto outcome = [&](const char* key) {
        return d.page().rules().lines()[static_cast<std::size_t>(d.rule(key))].outcome;
    };
    CHECK(outcome("long-radar-wait") == AuditOutcome::fails);
    auto* country = d.find<QComboBox>("airCountry");
    country->setCurrentIndex(country->findData("US"));
    emit country->activated(country->currentIndex());
    CHECK(outcome("long-radar-wait") == AuditOutcome::holds);
    d.open("wired.pcap");
    CHECK(d.window.status().message().contains("not of 802.11"));
    CHECK(d.page().table()->model()->rowCount() == 11);
    d.open("cut.pcap");
    CHECK(d.page().summary().contains("ends in the middle of a frame"));
    QTest::keyClick(&d.page(), Qt::Key_Escape);
    CHECK_FALSE(d.page().isVisible());
}

TEST_CASE("a rule is accepted with a note, which stays with the capture") {
    {
        AirDriver d;
        d.open("pier.pcap");
        const int wide = d.rule("wide-24");
        d.page().rules().setCurrentRow(wide);
        auto* accept = d.find<QPushButton>("airAccept");
        CHECK(accept->isVisible());
        CHECK_FALSE(accept->isEnabled());  // not without a reason
        d.fill("airNote", "one plotter only");
        const AuditLine& line = d.page().rules().lines()[static_cast<std::size_t>(wide)];
        CHECK(d.page().rules().head(line).contains("accepted"));
        CHECK(d.page().rules().words(line).contains("one plotter only"));
        picture(d.window, "on_air_accepted");
    }
    AirDriver again;
    again.open("pier.pcap");
    const int wide = again.rule("wide-24");
    const auto line = [&]() -> const AuditLine& {
        return again.page().rules().lines()[static_cast<std::size_t>(wide)];
    };
    CHECK(again.page().rules().accepted(line()));
    again.page().rules().setCurrentRow(wide);
    again.press_button("airAccept");
    CHECK_FALSE(again.page().rules().accepted(line()));
    // what holds needs no acceptance
    for (std::size_t i = 0; i < again.page().rules().lines().size(); ++i)
        if (again.page().rules().lines()[i].outcome == AuditOutcome::holds) {
            again.page().rules().setCurrentRow(static_cast<int>(i));
            CHECK_FALSE(again.find<QPushButton>("airAccept")->isVisible());
            break;
        }
}
