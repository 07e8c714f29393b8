// SPDX-License-Identifier: GPL-3.0-or-later
// The window and a person's files: nothing that can be made is refused by the file, nothing is overwritten
// unasked.
#include <QClipboard>
#include <QDir>
#include <QHeaderView>
#include <QPushButton>
#include <QTableView>
#include <QTableWidget>
#include <filesystem>

#include "app/asking/file_names.h"
#include "app/driver.h"
#include "app/files/autosave.h"
#include "app/files/file_guard.h"
#include "app/files/project_files.h"
#include "app/files/versions_page.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/found_findings.h"
#include "app/model/in_view.h"
#include "app/model/probing.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/offer/notice_bar.h"
#include "app/schedule/radio_schedule.h"
#include "app/shell/status_line.h"
#include "demo/demo.h"
#include "project/json_project.h"
#include "project/lock_note.h"
#include "project/storage.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;
using yemvo::test::one_floor;
using yemvo::test::TemporaryFolder;
namespace fs = std::filesystem;

namespace {

class Safe : public Driver {
public:
    Safe() {
        window.asking().save_file = [this](const QString&, const QString& p, const QString&) {
            proposed = p;
            return typed.isEmpty() ? p : file(typed);
        };
        window.asking().overwrite = [this](const QString& f) {
            overwrite_asked << f;
            return overwrite_answer;
        };
        window.asking().changed_on_disk = [this](const QString&, const QStringList& lines) {
            ++changed_asked;
            differences = lines;
            return changed_answer;
        };
        window.asking().throw_away = [this](const QString&) {
            ++throw_asked;
            return throw_answer;
        };
        window.open_project(one_floor(), {});
    }
    QString file(const QString& name) const {
        return QString::fromStdString((folder / name.toStdString()).string());
    }
    std::string name_in(const char* name) const { return load_project(folder / name).project.name; }
    void rename(const char* name) {
        w().edit("Rename", [&](Project& p) { p.name = name; });
    }
    bool at_rest() {
        return QTest::qWaitFor([this] { return !window.is_working(); }, 10000);
    }
    /// A file with two versions, open in the window.
    void save_as(const char* name) {
        typed = name;
        menu("file.save-as");
        REQUIRE(at_rest());
        REQUIRE(failure.isEmpty());
    }
    void somebody_writes(const char* file_name, const char* project_name) {
        Project p = project();
        p.name = project_name;
        save_project(p, folder / file_name);
    }
    QTableView* table() { return window.schedule().table(); }
    void paste_at(int column, const char* text) {
        const QModelIndex cell = table()->model()->index(0, column);
        table()->setCurrentIndex(cell);
        window.schedule().paste(text);
    }

    TemporaryFolder folder;
    QString proposed, typed;
    QStringList overwrite_asked, differences;
    bool overwrite_answer = false, throw_answer = true;
    int changed_asked = 0, throw_asked = 0;
    Asking::OnDisk changed_answer = Asking::OnDisk::cancel;
};

/// The window with an access point, so that the schedule has rows.
class Scheduled : public Safe {
public:
    Scheduled() {
        Project p = one_floor();
        yemvo::test::wall(p, "plasterboard", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}});
        add_access_point(p, yemvo::test::floor_at(p, 0), (*p.models)[2].id, {5, 5});
        add_access_point(p, yemvo::test::floor_at(p, 0), (*p.models)[2].id, {15, 5});
        window.open_project(p, {});
        REQUIRE(settle());
    }
};

constexpr int height = RadioModelTable::height;

}  // namespace

TEST_CASE("a height of 3200 pasted into the schedule is refused with its reason and leaves no undo step") {
    Scheduled d;
    const Project before = d.project();
    d.paste_at(height, "3200");
    CHECK(d.project() == before);
    CHECK_FALSE(d.w().document().history().canUndo());
    CHECK_THAT(d.window.status().message().toStdString(),
               Catch::Contains("not taken") && Catch::Contains("Height") &&
                   Catch::Contains(shown_as("1000.00 m").toStdString()));
    // of several the good ones are taken, in one step
    d.paste_at(height, "2.8\n3200\n2.6");
    CHECK(d.w().document().history().count() == 1);
    d.menu("edit.undo");
    CHECK(d.project() == before);
}

TEST_CASE("pasting into the schedule while the change by the last edit is shown works") {
    Scheduled d;
    d.w().activity().set_step(Step::placement);
    d.w().edit("Move", [&](Project& p) {
        AccessPoint ap = access_points(p, d.w().floor_id()).front();
        ap.position.x += 1;
        replace_access_point(p, d.w().floor_id(), ap);
    });
    d.w().shown().hold_against(render::Against::last_edit);
    REQUIRE(d.settle());
    d.paste_at(height, "2.5\n2.5\n2.5");
    REQUIRE(d.settle());
    REQUIRE(d.w().document().before_last_edit());
    CHECK(access_points(d.project(), d.w().floor_id()).front().height_m == 2.5);
    CHECK(d.w().document().history().undoText() == "Paste into the radio schedule");
}

TEST_CASE("the schedule sorts by value, also heights in feet and with a decimal comma") {
    Scheduled d;
    d.w().edit("Feet", [&](Project& p) {
        p.settings.units = LengthUnits::feet_inches;
        auto ap = access_points(p, d.w().floor_id())[0];
        ap.height_m = 3.04;  // 9' 11⅝"
        replace_access_point(p, d.w().floor_id(), ap);
        ap = access_points(p, d.w().floor_id())[1];
        ap.height_m = 3.1;  // 10' 2"
        replace_access_point(p, d.w().floor_id(), ap);
    });
    d.table()->sortByColumn(height, Qt::AscendingOrder);
    CHECK(d.table()->model()->index(0, height).data().toString().startsWith("9'"));
    d.table()->sortByColumn(height, Qt::DescendingOrder);
    CHECK(d.table()->model()->index(0, height).data().toString().startsWith("10'"));
}

TEST_CASE("a name too long is refused at its field, and what was typed stays there to be shortened") {
    Safe d;
    d.w().activity().set_step(Step::venue);
    auto* field = d.find<QLineEdit>("floorName");
    const QString name(3000, 'v');
    const Project before = d.project();
    field->setFocus();
    field->selectAll();
    QApplication::clipboard()->setText(name);
    QTest::keyClick(field, Qt::Key_V, Qt::ControlModifier);
    QTest::keyClick(field, Qt::Key_Return);
    CHECK(d.project() == before);
    CHECK(field->property("fault").toBool());
    CHECK_THAT(field->toolTip().toStdString(), Catch::Contains("3000 characters, more than 2000"));
    CHECK(field->text() == name);
    d.fill("floorName", "Lobby");
    CHECK(d.floor().name == "Lobby");
    CHECK_FALSE(d.find<QLineEdit>("floorName")->property("fault").toBool());
}

TEST_CASE("an edit that a file could not hold changes nothing and is told") {
    Safe d;
    const Project before = d.project();
    CHECK_FALSE(d.w().edit("Far away", [&](Project& p) {
        Wall w;
        w.type = first_type(p, TypeUse::wall);
        w.points = {{0, 0}, {200'000, 0}};
        add_wall(p, d.w().floor_id(), w);
    }));
    CHECK(d.project() == before);
    CHECK_THAT(d.w().refusal().toStdString(), Catch::Contains("100000.00 m"));
    CHECK(d.window.status().message() == d.w().refusal());
    // what would have been made is not chosen
    d.w().selection().select({{ItemKind::wall, 4711}});
    CHECK(d.w().selection().items().empty());
}

TEST_CASE("a name typed without its ending is asked about when that file exists") {
    Safe d;
    d.save_as("plan.yemvo");
    d.rename("Second");
    d.typed = "plan";
    d.menu("file.save-as");
    REQUIRE(d.at_rest());
    REQUIRE(d.overwrite_asked.size() == 1);
    CHECK(d.overwrite_asked[0] == d.file("plan.yemvo"));
    CHECK(d.name_in("plan.yemvo") == "Test");
    d.overwrite_answer = true;
    d.menu("file.save-as");
    REQUIRE(d.at_rest());
    CHECK(d.name_in("plan.yemvo") == "Second");
}

TEST_CASE("names with dots and slashes are proposed whole") {
    CHECK(file_name_for("Plan v1.2", ".yemvo") == "Plan v1.2.yemvo");
    CHECK(file_name_for("Block 3/4", ".yemvo") == "Block 3-4.yemvo");
    CHECK(file_name_for("..hidden", ".yemvo") == "hidden.yemvo");
    CHECK(file_name_for("  ", ".yemvo") == "Project.yemvo");
    CHECK(file_name_for(QString(500, QChar(0x56FE)), ".yemvo").toUtf8().size() <= 206);
    CHECK(with_ending("Plan v1.2", ".yemvo") == "Plan v1.2.yemvo");
    CHECK(with_ending("Plan.YEMVO", ".yemvo") == "Plan.YEMVO");
    Safe d;
    d.rename("Plan v1.2");
    d.typed = "";
    d.window.asking().save_file = [&](const QString&, const QString& p, const QString&) {
        d.proposed = p;
        return QString();
    };
    d.menu("file.save-as");
    CHECK(d.proposed == "Plan v1.2.yemvo");
}

TEST_CASE("a file that somebody else has written is not overwritten unasked") {
    Safe d;
    d.save_as("plan.yemvo");
    d.rename("Mine");
    d.somebody_writes("plan.yemvo", "Theirs");
    SECTION("cancel leaves both") {
        d.menu("file.save");
        REQUIRE(d.at_rest());
        CHECK(d.changed_asked == 1);
        CHECK(d.differences.contains("The project's name"));
        CHECK(d.name_in("plan.yemvo") == "Theirs");
        CHECK(d.project().name == "Mine");
        CHECK(d.w().document().is_modified());
    }
    SECTION("saved beside") {
        d.changed_answer = Asking::OnDisk::save_beside;
        d.typed = "beside.yemvo";
        d.menu("file.save");
        REQUIRE(d.at_rest());
        CHECK(d.name_in("plan.yemvo") == "Theirs");
        CHECK(d.name_in("beside.yemvo") == "Mine");
        CHECK(d.w().document().file() == d.file("beside.yemvo"));
    }
    SECTION("reloaded") {
        d.changed_answer = Asking::OnDisk::reload;
        d.menu("file.save");
        REQUIRE(d.at_rest());
        CHECK(d.project().name == "Theirs");
        CHECK_FALSE(d.w().document().is_modified());
    }
    SECTION("written over, theirs is kept") {
        d.changed_answer = Asking::OnDisk::write_over;
        d.menu("file.save");
        REQUIRE(d.at_rest());
        CHECK(d.changed_asked == 1);
        CHECK(d.name_in("plan.yemvo") == "Mine");
        CHECK(d.name_in("plan.yemvo~") == "Theirs");
        d.rename("Mine again");
        d.menu("file.save");
        REQUIRE(d.at_rest());
        CHECK(d.changed_asked == 1);
    }
    SECTION("one that cannot be read is decided upon as well") {
        std::ofstream(d.folder / "plan.yemvo", std::ios::trunc) << "not a project";
        d.menu("file.save");
        REQUIRE(d.at_rest());
        CHECK(d.changed_asked == 1);
        CHECK_THAT(d.differences.join(" ").toStdString(), Catch::Contains("cannot be read"));
    }
}

TEST_CASE("a change on disk is noticed while working, and so is a file that went away") {
    Safe d;
    d.save_as("plan.yemvo");
    d.window.guard().look();
    QTest::qWait(60);
    CHECK_FALSE(d.window.notices().says("disk"));
    d.somebody_writes("plan.yemvo", "Theirs");
    d.window.guard().look();
    REQUIRE(QTest::qWaitFor([&] { return d.window.notices().says("disk"); }, 3000));
    CHECK_THAT(d.window.notices().words().toStdString(), Catch::Contains("plan.yemvo was changed on disk"));
    d.changed_answer = Asking::OnDisk::reload;
    d.press_button("compareWithDisk");
    REQUIRE(d.at_rest());
    CHECK(d.project().name == "Theirs");
    CHECK_FALSE(d.window.notices().says("disk"));
    fs::remove(d.folder / "plan.yemvo");
    d.window.guard().look();
    REQUIRE(QTest::qWaitFor([&] { return d.window.notices().says("disk"); }, 3000));
    CHECK_THAT(d.window.notices().words().toStdString(), Catch::Contains("no longer there"));
    d.press_button("saveAgain");
    REQUIRE(d.at_rest());
    CHECK(d.name_in("plan.yemvo") == "Theirs");
}

TEST_CASE("who else has the file open is told") {
    Safe d;
    Project p = one_floor();
    save_project(p, d.folder / "shared.yemvo");
    std::ofstream(LockNote::name_for(d.folder / "shared.yemvo"))
        << R"({"user":"ada","host":"another-machine","pid":12,"since":1790000000})";
    d.window.open_file(d.file("shared.yemvo"));
    REQUIRE(d.at_rest());
    REQUIRE(QTest::qWaitFor([&] { return d.window.notices().says("lock"); }, 3000));
    CHECK_THAT(d.window.notices().words().toStdString(),
               Catch::Contains("ada") && Catch::Contains("another-machine"));
    d.save_as("own.yemvo");
    REQUIRE(QTest::qWaitFor([&] { return opened_by(d.folder / "own.yemvo").has_value(); }, 3000));
}

TEST_CASE("earlier versions are listed, opened as copies and restored") {
    Safe d;
    d.save_as("plan.yemvo");
    for (const char* name : {"Second", "Third"}) {
        d.rename(name);
        QTest::qWait(5);  // versions are told apart by their time
        d.menu("file.save");
        REQUIRE(d.at_rest());
    }
    d.menu("file.versions");
    auto* table = d.window.versions().table();
    REQUIRE(table->rowCount() == 2);
    CHECK(table->item(0, 1)->text() == d.file("plan.yemvo"));
    d.press_button("openVersion");
    REQUIRE(QTest::qWaitFor([&] { return d.project().name == "Second"; }, 3000));
    CHECK(d.w().document().file().isEmpty());
    CHECK(d.w().document().is_modified());
    d.window.open_file(d.file("plan.yemvo"));
    REQUIRE(d.at_rest());
    d.menu("file.versions");
    table->selectRow(1);
    for (auto* b : d.window.versions().findChildren<QPushButton*>())
        if (b->text() == "Restore") QTest::mouseClick(b, Qt::LeftButton);
    REQUIRE(QTest::qWaitFor([&] { return d.project().name == "Test"; }, 3000));
    CHECK(d.w().document().file() == d.file("plan.yemvo"));
    CHECK(d.name_in("plan.yemvo") == "Third");
    d.menu("file.save");
    REQUIRE(d.at_rest());
    CHECK(d.name_in("plan.yemvo") == "Test");
    CHECK(d.changed_asked == 0);
}

TEST_CASE("opening a file by name tells of newer unsaved work; discarding it asks and can be undone") {
    const fs::path root = Autosave::folders().front().toStdString();
    fs::remove_all(root);
    Safe d;
    Project p = one_floor();
    p.name = "Saved";
    save_project(p, d.folder / "plan.yemvo");
    turn_of_the_loop();
    {
        Journal journal(root);
        p.name = "Newer";
        journal.write(p, (d.folder / "plan.yemvo").string());
    }
    d.window.open_file(d.file("plan.yemvo"));
    REQUIRE(d.at_rest());
    REQUIRE(d.window.notices().says("newer"));
    d.throw_answer = false;
    d.press_button("discardNewer");
    CHECK(d.throw_asked == 1);
    CHECK(leftovers(root).size() == 1);
    d.throw_answer = true;
    d.window.open_file(d.file("plan.yemvo"));
    REQUIRE(d.at_rest());
    d.press_button("discardNewer");
    CHECK(leftovers(root).empty());
    REQUIRE(d.window.notices().says("thrown"));
    d.press_button("undoThrowAway");
    CHECK(leftovers(root).size() == 1);
    d.window.open_file(d.file("plan.yemvo"));
    REQUIRE(d.at_rest());
    d.press_button("recoverNewer");
    REQUIRE(QTest::qWaitFor([&] { return d.project().name == "Newer"; }, 3000));
    CHECK(d.w().document().is_modified());
    CHECK(d.w().document().file() == d.file("plan.yemvo"));
    d.menu("file.save");
    REQUIRE(d.at_rest());
    CHECK(d.changed_asked == 0);
}

TEST_CASE("a journal that cannot be written goes elsewhere, and says so until it works again") {
    const TemporaryFolder folder;
    std::ofstream(folder / "blocked") << "in the way";
    const QString first = QString::fromStdString((folder / "blocked").string()) + "/journal";
    const QString second = QString::fromStdString((folder / "second").string());
    Document document;
    QString why, elsewhere;
    int works = 0;
    {
        Autosave autosave(document, nullptr, {first, second});
        QObject::connect(
            &autosave, &Autosave::failed, &document,
            [&](const QString& w, const QString& e) {
                why = w;
                elsewhere = e;
            },
            Qt::QueuedConnection);
        QObject::connect(
            &autosave, &Autosave::works_again, &document, [&] { ++works; }, Qt::QueuedConnection);
        document.open(one_floor(), {});
        document.edit("Rename", [](Project& p) { p.name = "Kept elsewhere"; });
        REQUIRE(QTest::qWaitFor([&] { return !why.isEmpty(); }, Autosave::delay_ms + 4000));
        CHECK(elsewhere == second);
        std::size_t kept = 0;
        for (const auto& e : fs::recursive_directory_iterator(second.toStdString()))
            kept += e.path().filename() == "work.json";
        CHECK(kept == 1);
        fs::remove(folder / "blocked");
        document.edit("Rename", [](Project& p) { p.name = "Kept where it belongs"; });
        REQUIRE(QTest::qWaitFor([&] { return works == 1; }, Autosave::delay_ms + 4000));
    }
}

TEST_CASE("a file with a bad part opens, says so, and the part is among the findings") {
    Safe d;
    const std::string text = project_to_json(one_floor());
    std::string broken = text;
    const auto at = broken.find("\"height_m\": 3");
    REQUIRE(at != std::string::npos);
    broken.replace(at, 13, "\"height_m\": -3");
    const auto* begin = reinterpret_cast<const std::byte*>(broken.data());
    const Bytes bytes(begin, begin + broken.size());
    yemvo::test::write_archive(d.folder / "bad.yemvo", {{"project.json", &bytes}});
    d.window.open_file(d.file("bad.yemvo"));
    REQUIRE(d.at_rest());
    CHECK(d.failure.isEmpty());
    REQUIRE(d.window.notices().says("parts"));
    CHECK_THAT(d.window.notices().words().toStdString(), Catch::Contains("height_m"));
    REQUIRE(QTest::qWaitFor([&] { return d.w().found().open() > 0; }, 3000));
}

TEST_CASE(
    "a probe looked at while floors come and go waits for the next prediction instead of ending the "
    "program") {
    Safe d;
    Project p = new_project("Tower", {}, 3, 3);
    for (std::size_t f : {0u, 1u, 2u}) {
        yemvo::test::wall(p, "plasterboard", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}}, 0, {}, f);
        yemvo::test::isotropic_access_point(p, {5, 5}, 2.5, f);
    }
    add_probe(p, yemvo::test::floor_at(p, 0), {8, 8});
    d.window.open_project(p, {});
    d.w().activity().set_step(Step::placement);
    d.w().in_view().show_floor(yemvo::test::floor_at(p, 0));
    REQUIRE(d.settle());
    d.w().probing().choose(1);
    REQUIRE(d.w().probing().place());
    // a floor whose slab the probe's links cross goes; the prediction is still of the tower with it
    d.w().edit("Remove floor", [&](Project& x) { remove_floor(x, yemvo::test::floor_at(x, 1)); });
    d.w().shown().look_through(LensId::snr);
    d.w().shown().look_through(LensId::signal);
    CHECK_FALSE(d.w().probing().place());
    REQUIRE(d.settle());
    CHECK(d.w().probing().place());
}

TEST_CASE("a tower too large to be kept whole is judged floor by floor, and says how far it is meanwhile") {
    Safe d;
    Project p = new_project("Tower", {LengthUnits::metres, "GB", 1.2, 7}, 6, 3.5);
    for (std::size_t f = 0; f < 6; ++f) {
        yemvo::test::wall(p, "plasterboard", {{0, 0}, {240, 0}, {240, 160}, {0, 160}, {0, 0}}, 0, {}, f);
        for (int i = 0; i < 30; ++i)
            add_access_point(p, yemvo::test::floor_at(p, f), (*p.models)[2].id,
                             {20.0 + 40 * (i % 6), 15.0 + 30.0 * (i / 6)});
    }
    QStringList said;
    auto* verdict = d.find<QAbstractButton>("verdict");
    QObject::connect(
        &d.window.runner(), &PredictionRunner::judged_so_far, verdict,
        [&](int, int) {
            const auto& so_far = d.w().results().judged_so_far();
            if (so_far) said << QString("%1 of %2").arg(so_far->floors).arg(so_far->all);
        },
        Qt::QueuedConnection);
    d.window.open_project(p, {});
    d.w().activity().set_step(Step::placement);
    const auto whole = [&] {
        return QTest::qWaitFor(
            [&] {
                return d.window.runner().is_idle() && d.w().results().floor_prediction() &&
                       d.w().results().prediction()->verdict;
            },
            60'000);
    };
    REQUIRE(whole());
    CHECK(said.contains("3 of 6"));
    CHECK_FALSE(d.w().results().judged_so_far());
    CHECK(d.w().results().verdict()->complete());
    CHECK(d.w().results().verdict()->floors_judged == 6);
    CHECK(d.w().results().prediction()->site.floors.size() == 1);  // only the floor in view is kept
    const double share = d.w().results().verdict()->requirements.front().share_met();
    // another floor asks for its fields alone
    said.clear();
    d.w().in_view().show_floor(yemvo::test::floor_at(p, 4));
    REQUIRE(whole());
    REQUIRE(d.w().results().floor_prediction());
    CHECK(said.isEmpty());
    CHECK(d.w().results().verdict()->requirements.front().share_met() == share);
}

TEST_CASE("how much is kept in memory can be chosen, takes effect at once and is remembered") {
    const auto keep = [](Driver& d, const QString& what) {
        for (QAction* a : d.window.findChildren<QAction*>())
            if (a->text().contains(what)) return a->trigger();
        FAIL("no such choice: " << what.toStdString());
    };
    {
        Driver d;
        d.window.open_demo();
        REQUIRE(QTest::qWaitFor([&] { return d.window.runner().is_idle() && d.w().results().verdict(); },
                                20'000));
        CHECK(d.w().memory()->limit_bytes() == usual_budget_bytes());
        CHECK(d.w().memory()->used_bytes() > 1'000'000);
        keep(d, "up to 512 MB");
        CHECK(d.w().memory()->limit_bytes() == std::size_t{512} << 20);
    }
    {
        Driver d;
        CHECK(d.w().memory()->limit_bytes() == std::size_t{512} << 20);
        keep(d, "as suits this machine");
    }
    CHECK(Driver().w().memory()->limit_bytes() == usual_budget_bytes());
}
