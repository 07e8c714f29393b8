// SPDX-License-Identifier: GPL-3.0-or-later
// The whole story by mouse and keyboard: from nothing to a saved, scaled floor with a heat map, handed out.
#include <QDropEvent>
#include <QFile>
#include <QMimeData>
#include <QSpinBox>

#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/results.h"
#include "app/shell/header_bar.h"
#include "app/shell/status_line.h"
#include "project/storage.h"

using namespace yemvo;
using namespace yemvo::app;
using yemvo::app::test::Driver;

namespace {

/// A floor plan as a person has it: a picture with a known length in it, 20 px to the metre.
QString drawn_plan(const yemvo::test::TemporaryFolder& folder) {
    QImage picture(640, 480, QImage::Format_RGB32);
    picture.fill(Qt::white);
    QPainter p(&picture);
    p.setPen(QPen(Qt::black, 3));
    p.drawRect(40, 40, 480, 320);  // 24 m x 16 m
    p.end();
    const QString file = QString::fromStdString(folder / "plan.png");
    REQUIRE(picture.save(file));
    return file;
}

void drop(Driver& d, const QString& file) {
    QMimeData data;
    data.setUrls({QUrl::fromLocalFile(file)});
    QDragEnterEvent enter(QPoint(600, 400), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&d.window, &enter);
    CHECK(enter.isAccepted());
    QDropEvent e(QPointF(600, 400), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&d.window, &e);
    REQUIRE(QTest::qWaitFor([&] { return !d.window.is_working(); }, 5000));
}

void draw_wall_type(Driver& d, const char* key, std::vector<Point> points) {
    d.press_button((std::string("type-") + key).c_str());
    d.plan().setFocus();
    for (Point p : points) d.click(p, Qt::AltModifier);
    d.key(Qt::Key_Return);
}

}  // namespace

TEST_CASE("a person gets from an empty window to a saved, scaled floor with a heat map and a picture") {
    const yemvo::test::TemporaryFolder folder;
    Driver d;

    // new project, on one page
    d.find<QLineEdit>("newName")->selectAll();
    QTest::keyClicks(d.find<QLineEdit>("newName"), "Corner House");
    QTest::keyClick(d.find<QLineEdit>("newName"), Qt::Key_Return);
    REQUIRE(d.w().document().is_open());
    CHECK(d.project().name == "Corner House");
    CHECK(d.window.windowTitle().startsWith("Corner House"));

    // a picture in, then its scale
    drop(d, drawn_plan(folder));
    d.lay_prepared();
    REQUIRE(d.floor().drawings->size() == 1);
    CHECK_FALSE(d.drawing().to_scale());
    CHECK(step_mark(d.project(), Step::venue, {}) == "1 floor unscaled");
    d.key(Qt::Key_L);
    const Drawing raw = d.drawing();
    d.click(raw.to_venue({40, 40}));
    d.click(raw.to_venue({520, 40}));
    d.type("24 m");
    d.key(Qt::Key_Return);
    CHECK(d.drawing().to_scale());
    CHECK(distance(d.drawing().to_venue({40, 40}), d.drawing().to_venue({520, 40})) ==
          Approx(24).epsilon(0.01));

    // ten walls of three types, two of them with typed length and angle
    d.plan().fit();
    d.key(Qt::Key_W);
    const Point corner = d.drawing().to_venue({40, 360});
    const auto at = [&](double x, double y) { return corner + Point{x, y}; };
    draw_wall_type(d, "brick-cavity", {at(0, 0), at(24, 0), at(24, 16), at(0, 16), at(0, 0)});
    REQUIRE(d.floor().walls->size() == 1);
    CHECK(d.floor().walls->front().points.size() == 5);
    for (double x : {6.0, 12.0, 18.0}) draw_wall_type(d, "plasterboard", {at(x, 0), at(x, 6)});
    for (double x : {6.0, 12.0, 18.0}) draw_wall_type(d, "glass-partition", {at(x - 6, 6), at(x, 6)});
    d.press_button("type-plasterboard");
    d.plan().setFocus();
    d.click(at(3, 10), Qt::AltModifier);
    d.hover(at(9, 10));
    d.type("4.5");
    d.key(Qt::Key_Tab);
    d.type("90");
    d.key(Qt::Key_Return);
    d.plan().setFocus();
    d.key(Qt::Key_Return);
    REQUIRE(d.floor().walls->size() == 8);
    const Wall typed = d.floor().walls->back();
    REQUIRE(typed.points.size() == 2);
    CHECK(typed.points[1].x == Approx(typed.points[0].x).margin(1e-6));
    CHECK(typed.points[1].y - typed.points[0].y == Approx(4.5));
    for (double y : {9.0, 13.0}) draw_wall_type(d, "plasterboard", {at(14, y), at(22, y)});
    CHECK(d.floor().walls->size() == 10);

    // two doors
    d.key(Qt::Key_D);
    d.click(at(3, 6));
    d.click(at(9, 6));
    std::size_t openings = 0;
    for (const Wall& w : *d.floor().walls) openings += w.openings.size();
    CHECK(openings == 2);

    // three access points
    d.key(Qt::Key_A);
    CHECK(d.w().activity().step() == Step::placement);
    for (Point p : {at(4, 11), at(12, 11), at(20, 3)}) d.click(p);
    d.key(Qt::Key_Escape);
    REQUIRE(placed_access_points(d.project()).size() == 3);
    REQUIRE(d.settle());
    CHECK_FALSE(std::isnan(d.map_at(at(12, 11))));

    // the map and the verdict follow a drag, while the button is still down
    const Point from = access_points(d.project(), d.w().floor_id())[1].position;
    const Point probe = at(1, 1);
    const float before = d.map_at(probe);
    const QColor colour_before = d.pixel(probe);
    d.press(from);
    d.drag_over(lerp(from, at(3, 2), 0.5));
    d.drag_over(at(3, 2));
    REQUIRE(d.settle());
    CHECK(d.map_at(probe) > before + 5);
    CHECK(d.pixel(probe) != colour_before);
    REQUIRE(d.w().results().verdict());
    d.release(at(3, 2));
    CHECK(d.w().document().history().undoText() == "Move access point 2");

    // undo in one step, by name
    d.menu("edit.undo");
    REQUIRE(d.settle());
    CHECK(access_points(d.project(), d.w().floor_id())[1].position == from);
    CHECK(d.map_at(probe) == Approx(before));
    d.menu("edit.redo");

    // save, change, open again
    const QString file = QString::fromStdString(folder / "corner.yemvo");
    d.window.asking().save_file = [&](const QString&, const QString&, const QString&) { return file; };
    d.key(Qt::Key_S, Qt::ControlModifier);
    const auto at_rest = [&] { return QTest::qWaitFor([&] { return !d.window.is_working(); }, 5000); };
    REQUIRE(at_rest());
    const Project saved = d.project();
    CHECK_FALSE(d.window.isWindowModified());
    CHECK(load_project(file.toStdString()).project == saved);
    d.menu("edit.undo");
    CHECK(d.window.isWindowModified());
    d.window.asking().open_file = [&](const QString&, const QString&) { return file; };
    d.key(Qt::Key_O, Qt::ControlModifier);
    REQUIRE(at_rest());
    CHECK(d.unsaved_asked == 1);
    CHECK(d.project() == saved);

    // hand out a picture
    REQUIRE(d.settle());
    const QString picture = QString::fromStdString(folder / "plan-out.png");
    d.window.asking().save_file = [&](const QString&, const QString&, const QString&) { return picture; };
    d.key(Qt::Key_E, Qt::ControlModifier);
    REQUIRE(at_rest());
    const QImage out(picture);
    CHECK(out.width() == 1600);
}

TEST_CASE("a floor that lacks something has the one button for it, until it is there") {
    const yemvo::test::TemporaryFolder folder;
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    const QString file = drawn_plan(folder);
    d.window.asking().open_file = [&](const QString&, const QString&) { return file; };
    d.press_button("nextStepButton");
    d.lay_prepared();
    REQUIRE(d.floor().drawings->size() == 1);
    d.press_button("nextStepButton");
    CHECK(d.w().activity().tool() == ToolId::scale);
    CHECK_FALSE(d.find<QWidget>("nextStep")->isVisible());
    const Drawing raw = d.drawing();
    d.click(raw.to_venue({40, 40}));
    d.click(raw.to_venue({520, 40}));
    d.type("24");
    d.key(Qt::Key_Return);
    d.w().activity().set_step(Step::placement);
    d.press_button("nextStepButton");
    CHECK(d.w().activity().tool() == ToolId::access_point);
    d.click(raw.to_venue({300, 200}));
    d.key(Qt::Key_S);
    REQUIRE(d.settle());
    // there is a map now, but nothing says where service is needed
    CHECK(d.find<QWidget>("verdict")->isVisible());
    CHECK_FALSE(d.w().results().verdict()->demanded_m2() > 0);
    REQUIRE(d.find<QWidget>("nextStep")->isVisible());
    d.press_button("nextStepButton");
    CHECK(d.w().activity().tool() == ToolId::wall);
    d.w().edit("Walls", [&](Project& p) {
        Wall w;
        w.type = first_type(p, TypeUse::wall);
        w.points = {{0, 0}, {12, 0}, {12, -8}, {0, -8}, {0, 0}};
        add_wall(p, d.w().floor_id(), w);
    });
    d.w().activity().set_step(Step::placement);
    REQUIRE(d.settle());
    CHECK_FALSE(d.find<QWidget>("nextStep")->isVisible());
    CHECK(d.w().results().verdict()->demanded_m2() > 50);
}

TEST_CASE("what cannot be laid under a floor is refused with its name, and nothing is lost") {
    const yemvo::test::TemporaryFolder folder;
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    const Project before = d.project();
    auto* status = d.window.findChild<StatusLine*>("status");
    QFile text(QString::fromStdString(folder / "letter.png"));
    REQUIRE(text.open(QIODevice::WriteOnly));
    text.write("no picture at all");
    text.close();
    drop(d, text.fileName());
    CHECK(status->message().contains("letter.png"));
    drop(d, QString::fromStdString(folder / "missing.png"));
    CHECK(status->message().contains("missing.png"));
    CHECK(d.project() == before);
}

TEST_CASE("a project file that cannot be opened is told about and the open one stays") {
    const yemvo::test::TemporaryFolder folder;
    Driver d;
    d.window.open_demo();
    const Project before = d.project();
    QFile broken(QString::fromStdString(folder / "broken.yemvo"));
    REQUIRE(broken.open(QIODevice::WriteOnly));
    broken.write("PK\3\4 and no more");
    broken.close();
    d.window.open_file(broken.fileName());
    REQUIRE(QTest::qWaitFor([&] { return !d.failure.isEmpty(); }, 5000));
    CHECK(d.failure.contains("broken.yemvo"));
    CHECK(d.failure.contains("damaged"));
    CHECK(d.project() == before);
}

TEST_CASE("a storey height that is no length is told on the page") {
    Driver d;
    d.find<QLineEdit>("newHeight")->selectAll();
    QTest::keyClicks(d.find<QLineEdit>("newHeight"), "tall");
    QTest::keyClick(d.find<QLineEdit>("newHeight"), Qt::Key_Return);
    CHECK_FALSE(d.w().document().is_open());
    CHECK(d.find<QLabel>("fault")->text().contains("tall"));
    d.find<QLineEdit>("newHeight")->selectAll();
    QTest::keyClicks(d.find<QLineEdit>("newHeight"), "12'6\"");
    d.find<QSpinBox>("newFloors")->setValue(4);
    QTest::keyClick(d.find<QLineEdit>("newHeight"), Qt::Key_Return);
    REQUIRE(d.w().document().is_open());
    CHECK(all_floors(d.project()).size() == 4);
    CHECK(d.floor().height_m == Approx(3.81));
}
