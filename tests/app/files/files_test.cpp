// SPDX-License-Identifier: GPL-3.0-or-later
// Projects opened, saved and left, as a person does it: nothing typed meanwhile is lost.
#include <QDir>
#include <QPushButton>
#include <QSettings>
#include <filesystem>

#include "app/driver.h"
#include "app/model/document.h"
#include "app/model/results.h"
#include "app/shell/status_line.h"
#include "demo/demo.h"
#include "project/storage.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;
using yemvo::test::one_floor;
using yemvo::test::TemporaryFolder;

namespace {

class Files : public Driver {
public:
    Files() {
        window.open_project(one_floor(), {});
        window.asking().save_file = [this](const QString&, const QString&, const QString&) {
            ++file_asked;
            return file("work.yemvo");
        };
    }
    QString file(const char* name) const { return QString::fromStdString(folder / name); }
    std::string name_in(const char* name) const { return load_project(folder / name).project.name; }
    void rename(const char* name) {
        w().edit("Rename", [&](Project& p) { p.name = name; });
    }
    bool at_rest() {
        return QTest::qWaitFor([this] { return !window.is_working(); }, 10000);
    }
    QString write_other(const char* name) {
        Project p = one_floor();
        p.name = name;
        save_project(p, folder / (std::string(name) + ".yemvo"));
        return file((std::string(name) + ".yemvo").c_str());
    }
    TemporaryFolder folder;
    int file_asked = 0;
};

}  // namespace

TEST_CASE("a project is saved behind the window, and counts as unsaved until the file is there") {
    Files d;
    d.rename("First");
    d.menu("file.save");
    CHECK(d.window.isWindowModified());
    CHECK(d.window.is_working());
    REQUIRE(d.at_rest());
    CHECK(d.name_in("work.yemvo") == "First");
    CHECK_FALSE(d.window.isWindowModified());
    CHECK(d.window.status().message() == "Saved " + d.file("work.yemvo"));
    CHECK(QSettings().value("recent").toStringList().front() == d.file("work.yemvo"));
    // and to the same file without asking
    d.rename("Second");
    d.menu("file.save");
    REQUIRE(d.at_rest());
    CHECK(d.file_asked == 1);
    CHECK(d.name_in("work.yemvo") == "Second");
    CHECK(d.name_in("work.yemvo~") == "First");
}

TEST_CASE("what is edited while a file is written stays unsaved, and undo leads back to what was saved") {
    Files d;
    d.rename("Written");
    d.menu("file.save");
    d.rename("Edited meanwhile");
    REQUIRE(d.at_rest());
    CHECK(d.name_in("work.yemvo") == "Written");
    CHECK(d.project().name == "Edited meanwhile");
    CHECK(d.window.isWindowModified());
    d.menu("edit.undo");
    CHECK(d.project().name == "Written");
    CHECK_FALSE(d.window.isWindowModified());
}

TEST_CASE("saving twice in a hurry leaves the later value") {
    Files d;
    for (const char* name : {"One", "Two", "Three"}) {
        d.rename(name);
        d.menu("file.save");
    }
    REQUIRE(d.at_rest());
    CHECK(d.name_in("work.yemvo") == "Three");
    CHECK_FALSE(d.w().document().is_modified());
}

TEST_CASE("a file that cannot be written is told with its reason, and the work stays unsaved") {
    Files d;
    d.rename("Kept");
    d.window.asking().save_file = [&](const QString&, const QString&, const QString&) {
        return d.file("no such folder/work.yemvo");
    };
    d.menu("file.save");
    REQUIRE(d.at_rest());
    CHECK(d.failure.contains("no such folder"));
    CHECK(d.w().document().is_modified());
    CHECK(d.w().document().file().isEmpty());
    CHECK(d.project().name == "Kept");
    // even what was clean before counts as unsaved: there is no file
    d.failure.clear();
    QDir().mkpath(d.file("no such folder"));
    d.menu("file.save");
    REQUIRE(d.at_rest());
    CHECK(d.failure.isEmpty());
    CHECK(d.name_in("no such folder/work.yemvo") == "Kept");
}

TEST_CASE("closing with Save writes the file first and then closes by itself") {
    Files d;
    d.rename("Taken home");
    d.unsaved_answer = Asking::Unsaved::save;
    CHECK_FALSE(d.window.close());
    REQUIRE(QTest::qWaitFor([&] { return !d.window.isVisible(); }, 5000));
    CHECK(d.name_in("work.yemvo") == "Taken home");
    CHECK(d.unsaved_asked == 1);
}

TEST_CASE("closing with Save stays open when no file is named or it cannot be written") {
    Files d;
    d.rename("Here");
    d.unsaved_answer = Asking::Unsaved::save;
    d.window.asking().save_file = [](const QString&, const QString&, const QString&) { return QString(); };
    CHECK_FALSE(d.window.close());
    CHECK_FALSE(d.window.is_working());
    d.window.asking().save_file = [&](const QString&, const QString&, const QString&) {
        return d.file("missing/work.yemvo");
    };
    CHECK_FALSE(d.window.close());
    REQUIRE(d.at_rest());
    turn_of_the_loop();
    CHECK(d.window.isVisible());
    CHECK(d.failure.contains("missing"));
    CHECK(d.project().name == "Here");
}

TEST_CASE("closing while a file is being written waits for it and does not ask") {
    Files d;
    d.rename("On its way");
    d.menu("file.save");
    CHECK_FALSE(d.window.close());
    REQUIRE(QTest::qWaitFor([&] { return !d.window.isVisible(); }, 5000));
    CHECK(d.unsaved_asked == 0);
    CHECK(d.name_in("work.yemvo") == "On its way");
}

TEST_CASE("a project opens behind the window; the open one stays until it is there") {
    Files d;
    const QString other = d.write_other("Other");
    d.window.open_file(other);
    CHECK(d.project().name != "Other");
    CHECK(d.window.is_working());
    REQUIRE(d.at_rest());
    CHECK(d.project().name == "Other");
    CHECK(d.w().document().file() == other);
    CHECK_FALSE(d.w().document().is_modified());
}

TEST_CASE("of two projects opened in a hurry the second is shown") {
    Files d;
    const QString one = d.write_other("One"), two = d.write_other("Two");
    d.window.open_file(one);
    d.window.open_file(two);
    REQUIRE(d.at_rest());
    QTest::qWait(50);
    CHECK(d.project().name == "Two");
}

TEST_CASE("opening can be cancelled, and nothing has changed then") {
    Files d;
    const Project before = d.project();
    d.window.open_file(d.write_other("Unwanted"));
    emit d.window.status().cancel_asked();
    CHECK_FALSE(d.window.is_working());
    QTest::qWait(150);
    CHECK(d.project() == before);
    CHECK(d.failure.isEmpty());
}

TEST_CASE("a project begun while another is read stays, and the other does not come after it") {
    Files d;
    const QString other = d.write_other("Slow");
    d.window.open_file(other);
    Project p = one_floor();
    p.name = "Begun meanwhile";
    d.window.open_project(p, {});
    CHECK_FALSE(d.window.is_working());
    QTest::qWait(150);
    CHECK(d.project().name == "Begun meanwhile");
}

TEST_CASE("work done while another project is read is asked about before it is left") {
    Files d;
    const QString other = d.write_other("Other");
    d.unsaved_answer = Asking::Unsaved::cancel;
    d.window.open_file(other);
    d.rename("Typed meanwhile");
    REQUIRE(d.at_rest());
    CHECK(d.unsaved_asked == 1);
    CHECK(d.project().name == "Typed meanwhile");
    // saved first, then left
    d.unsaved_answer = Asking::Unsaved::save;
    d.window.open_file(other);
    d.rename("Typed again");
    REQUIRE(QTest::qWaitFor([&] { return d.project().name == "Other"; }, 5000));
    CHECK(d.name_in("work.yemvo") == "Typed again");
}

TEST_CASE("discarding is asked once, not again when the other project arrives") {
    Files d;
    const QString other = d.write_other("Other");
    d.rename("Unsaved");
    d.window.asking().open_file = [&](const QString&, const QString&) { return other; };
    d.menu("file.open");
    REQUIRE(d.at_rest());
    CHECK(d.unsaved_asked == 1);
    CHECK(d.project().name == "Other");
}

TEST_CASE("files that are no projects are told by name, and the open project stays") {
    Files d;
    const Project before = d.project();
    QFile text(d.file("letter.yemvo"));
    REQUIRE(text.open(QIODevice::WriteOnly));
    text.write("Dear all");
    text.close();
    QFile empty(d.file("empty.yemvo"));
    REQUIRE(empty.open(QIODevice::WriteOnly));
    empty.close();
    for (const char* name : {"letter.yemvo", "empty.yemvo", "missing.yemvo"}) {
        d.failure.clear();
        d.window.open_file(d.file(name));
        REQUIRE(d.at_rest());
        INFO(name << ": " << d.failure.toStdString());
        CHECK(d.failure.contains(name));
        CHECK(d.project() == before);
    }
    const auto recent = QSettings().value("recent").toStringList();
    CHECK(std::none_of(recent.begin(), recent.end(), [](const QString& f) { return f.contains("letter"); }));
}

TEST_CASE("a prediction that was begun for the project before is not shown with the next one") {
    Files d;
    Project walled = one_floor();
    yemvo::test::wall(walled, "plasterboard", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}});
    yemvo::test::isotropic_access_point(walled, {3, 3});
    for (int i = 0; i < 20; ++i) {
        d.window.open_project(demo::compose_venue(), {});
        QTest::qWait(3 * i);  // it is somewhere on its way
        d.window.open_project(walled, {});
        bool stranger = false;
        for (int turn = 0; turn < 20; ++turn) {
            QTest::qWait(2);
            stranger |= d.w().results().prediction() && !(d.w().results().prediction()->project == walled);
        }
        INFO(i);
        CHECK_FALSE(stranger);
    }
    REQUIRE(d.settle());
    CHECK(d.w().results().prediction()->site.floors.size() == 1);
}
