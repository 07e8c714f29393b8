// SPDX-License-Identifier: GPL-3.0-or-later
#include <QListWidget>
#include <QMessageBox>
#include <QTextBrowser>

#include "app/driver.h"
#include "app/help/guide_page.h"

using namespace yemvo;
using namespace yemvo::app;
using yemvo::app::test::Driver;

TEST_CASE("the guide opens in the window, goes to a chapter, finds a word, and Escape leaves it") {
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    d.menu("help.guide");
    auto* guide = d.find<GuidePage>("guide");
    REQUIRE(guide->isVisible());
    REQUIRE(guide->chapters().count() > 8);
    CHECK(guide->text().toPlainText().contains("From nothing to a map"));
    const auto chapter = guide->chapters().findItems("Lenses", Qt::MatchExactly);
    REQUIRE(chapter.size() == 1);
    guide->chapters().setCurrentItem(chapter.front());
    CHECK(guide->text().textCursor().block().text() == "Lenses");
    auto* word = d.find<QLineEdit>("guideWord");
    word->setFocus();
    QTest::keyClicks(word, "downlink PHY rate");
    QTest::keyClick(word, Qt::Key_Return);
    CHECK(guide->text().textCursor().selectedText().toLower() == "downlink phy rate");
    word->clear();
    QTest::keyClicks(word, "xyzzy");
    QTest::keyClick(word, Qt::Key_Return);
    CHECK_FALSE(d.find<QLabel>("guideTold")->text().isEmpty());
    // what needs a project alone can be done beside the guide, what needs its work cannot
    CHECK(d.window.action("file.save")->isEnabled());
    CHECK_FALSE(d.window.action("edit.paste")->isEnabled());
    QTest::keyClick(word, Qt::Key_Escape);
    CHECK_FALSE(guide->isVisible());
    CHECK(d.plan().isVisible());
}

TEST_CASE("About tells the name, the version and the licence") {
    Driver d;
    QApplication::setApplicationVersion("9.8.7");
    d.menu("help.about");
    auto* box = d.find<QMessageBox>("about");
    CHECK(box->text() == "Yemvo 9.8.7");
    CHECK(box->informativeText().contains("General Public License"));
    box->close();
}
