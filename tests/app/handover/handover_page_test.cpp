// SPDX-License-Identifier: GPL-3.0-or-later
// Handing a plan over through the window.
#include "app/handover/handover_page.h"

#include <QAbstractButton>
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QPlainTextEdit>
#include <QTemporaryDir>

#include "app/driver.h"
#include "app/handover/report_side.h"
#include "app/model/document.h"
#include "app/picture.h"
#include "demo/demo.h"
#include "project/edits.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

Project room() {
    Project p = yemvo::test::one_floor(3.5);
    yemvo::test::wall(p, "brick-half", {{0, 0}, {20, 0}, {20, 10}, {0, 10}, {0, 0}});
    add_access_point(p, yemvo::test::floor_at(p, 0), p.models->front().id, {5, 5});
    return p;
}

struct HandingOver : Driver {
    explicit HandingOver(const Project& p) {
        window.open_project(p, {});
        REQUIRE(settle());
        window.asking().save_file = [this](const QString&, const QString&, const QString&) {
            return save_as;
        };
        window.asking().folder = [this](const QString&) { return folder_chosen; };
        window.asking().open_file = [this](const QString&, const QString&) { return opened; };
        window.asking().overwrite = [](const QString&) { return true; };
    }
    HandoverPage& page() { return window.handover(); }
    void open() {
        ++actions;
        QTest::keyClick(&window, Qt::Key_H, Qt::ControlModifier | Qt::ShiftModifier);
        REQUIRE(page().isVisible());
        wait();
    }
    void wait() {
        QTest::qWait(300);
        REQUIRE(QTest::qWaitFor([&] { return !page().is_working(); }, 120'000));
        QCoreApplication::processEvents();
    }
    void press(const char* name) {
        ++actions;
        auto* b = page().findChild<QAbstractButton*>(name);
        REQUIRE(b);
        REQUIRE(b->isEnabled());
        QTest::mouseClick(b, Qt::LeftButton, {}, b->rect().center() - QPoint(b->width() / 2 - 8, 0));
        wait();
    }
    std::size_t pages() {
        return page().preview().report() ? page().preview().report()->pages.pages.size() : 0;
    }
    void tick(const char* section, bool on) {
        QListWidget& list = page().side().sections();
        for (int i = 0; i < list.count(); ++i)
            if (list.item(i)->data(Qt::UserRole).toString() == section)
                list.item(i)->setCheckState(on ? Qt::Checked : Qt::Unchecked);
        wait();
    }
    QString save_as, folder_chosen, opened;
    int actions = 0;
    void empty(const char* name) {
        auto* field = find<QLineEdit>(name);
        field->setFocus();
        field->selectAll();
        QTest::keyClick(field, Qt::Key_Delete);
        QTest::keyClick(field, Qt::Key_Return);
    }
    QTemporaryDir dir;
};

}  // namespace

TEST_CASE("from the finished demo to report, installer's sheets and spreadsheet in a few actions") {
    HandingOver d(demo::make_demo());
    d.open();
    CHECK(d.pages() > 30);
    d.save_as = d.dir.filePath("customer.pdf");
    d.press("writeReport");
    d.press("forInstaller");
    CHECK(d.pages() > 29);
    d.save_as = d.dir.filePath("installer.pdf");
    d.press("writeReport");
    d.folder_chosen = d.dir.filePath("data");
    d.press("writeFiles");
    CHECK(d.actions <= 12);
    for (const char* file : {"customer.pdf", "installer.pdf", "data/tables.xlsx", "data/plan.html",
                             "data/library-first-floor.dxf"}) {
        INFO(file);
        CHECK(QFileInfo(d.dir.filePath(file)).size() > 10'000);
    }
    picture(d.window, "handover-installer");
}

TEST_CASE("sections ticked and put in order change the pages, are undone and saved") {
    HandingOver d(room());
    d.open();
    const std::size_t all = d.pages();
    d.tick("plans", false);
    CHECK(d.pages() == all - 1);
    CHECK_FALSE(d.project().handover.report.sections.empty());
    QListWidget& list = d.page().side().sections();
    list.setCurrentRow(2);
    const QString moved = list.item(2)->text();
    d.press("sectionUp");
    CHECK(list.item(1)->text() == moved);
    CHECK(list.currentRow() == 1);
    d.w().document().history().undo();
    d.w().document().history().undo();
    d.wait();
    CHECK(d.pages() == all);
    CHECK(d.project().handover == HandoverBook{});
}

TEST_CASE("names, words with placeholders and a logo stand in the report") {
    HandingOver d(room());
    d.open();
    auto* customer = d.page().findChild<QLineEdit*>("reportCustomer");
    REQUIRE(customer);
    d.fill("reportCustomer", "Harbour Trust");
    d.wait();
    CHECK(d.page().preview().report()->report.customer == "Harbour Trust");
    d.fill("reportAuthor", "Somebody");
    d.empty("reportAuthor");
    CHECK(d.project().handover.report.author.empty());
    auto* words = d.page().findChild<QPlainTextEdit*>("reportWords");
    words->setFocus();
    QTest::keyClicks(words, "Made for {customer} with {access-points} access point.");
    customer->setFocus();
    d.wait();
    bool found = false;
    for (const auto& part : d.page().preview().report()->report.parts)
        for (const auto& block : part.blocks)
            if (const auto* text = std::get_if<render::report::TextBlock>(&block))
                found |= text->text == "Made for Harbour Trust with 1 access point.";
    CHECK(found);
    // a picture that is none is refused, one that is stands on the cover
    d.opened = d.dir.filePath("logo.png");
    QFile bad(d.opened);
    REQUIRE(bad.open(QIODevice::WriteOnly));
    bad.write("no picture");
    bad.close();
    d.press("reportLogo");
    CHECK(d.project().handover.report.logo.empty());
    QImage logo(40, 20, QImage::Format_RGB32);
    logo.fill(Qt::red);
    REQUIRE(logo.save(d.opened));
    d.press("reportLogo");
    CHECK(d.project().handover.report.logo == "logo.png");
    d.page().preview().set_columns(1);
    d.page().preview().go_to(0);
    d.wait();
    const QImage cover = d.page().preview().picture(0);
    REQUIRE_FALSE(cover.isNull());
    int red = 0;
    for (int y = 0; y < cover.height() / 3; ++y)
        for (int x = 0; x < cover.width(); ++x) red += QColor(cover.pixel(x, y)) == QColor(Qt::red);
    CHECK(red > 200);
}

TEST_CASE("maps of the report are added and left out") {
    HandingOver d(room());
    d.open();
    const int before = d.page().side().maps().count();
    auto* lens = d.page().findChild<QComboBox*>("mapLens");
    lens->setCurrentIndex(lens->findData("snr"));
    d.press("addMap");
    REQUIRE(d.page().side().maps().count() == before + 1);
    CHECK(d.project().handover.report.maps.back().lens == "snr");
    const std::size_t pages = d.pages();
    d.page().side().maps().setCurrentRow(0);
    d.press("removeMap");
    CHECK(d.page().side().maps().count() == before);
    CHECK(d.pages() == pages - 1);
}

TEST_CASE("what stands in the way of a report is told, and nothing can be written") {
    Project p = room();
    for (const ReportSection& s : std::vector<ReportSection>{{"cover", false}})
        p.handover.report.sections.push_back(s);
    HandingOver d(p);
    d.open();
    auto* faults = d.page().findChild<QLabel*>("reportFaults");
    CHECK_THAT(faults->text().toStdString(), Catch::Contains("No section is chosen"));
    CHECK_FALSE(d.page().findChild<QAbstractButton*>("writeReport")->isEnabled());
    d.tick("summary", true);
    CHECK(d.page().findChild<QAbstractButton*>("writeReport")->isEnabled());
    CHECK(d.pages() >= 1);
    d.save_as = d.dir.filePath("no/such/plan.pdf");
    QString told;
    QObject::connect(&d.w(), &Workspace::told, [&](const QString& words, bool) { told = words; });
    d.press("writeReport");
    CHECK_THAT(told.toStdString(), Catch::Contains("plan.pdf") && Catch::Contains("no folder"));
}

TEST_CASE("the site's place on Earth is typed, checked, undone and taken away") {
    HandingOver d(room());
    d.open();
    d.fill("siteLatitude", "48.137");
    d.fill("siteLongitude", "11,575");
    REQUIRE(d.project().handover.anchor);
    CHECK(d.project().handover.anchor->latitude_deg == 48.137);
    CHECK(d.project().handover.anchor->longitude_deg == 11.575);
    d.fill("siteLatitude", "148");
    CHECK(d.project().handover.anchor->latitude_deg == 48.137);
    d.fill("siteBearing", "12.5");
    CHECK(d.project().handover.anchor->bearing_deg == 12.5);
    d.w().document().history().undo();
    CHECK(d.project().handover.anchor->bearing_deg == 0);
    d.empty("siteLatitude");
    CHECK_FALSE(d.project().handover.anchor);
}

TEST_CASE("pages are looked at closer, and Escape leads back") {
    HandingOver d(room());
    d.open();
    auto& preview = d.page().preview();
    CHECK(preview.columns() == 2);
    QTest::mouseDClick(preview.viewport(), Qt::LeftButton, {}, preview.page_rect(1).center());
    CHECK(preview.columns() == 1);
    d.wait();
    CHECK_FALSE(preview.picture(1).isNull());
    d.press("pagesSmaller");
    CHECK(preview.columns() == 2);
    d.page().setFocus();
    QTest::keyClick(&d.page(), Qt::Key_Escape);
    CHECK_FALSE(d.page().isVisible());
}
