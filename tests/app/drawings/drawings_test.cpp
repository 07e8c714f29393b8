// SPDX-License-Identifier: GPL-3.0-or-later
// Drawings through the window: prepared, scaled, aligned, replaced; floors and buildings by hand.
#include <QClipboard>
#include <QListWidget>
#include <QMenu>
#include <QMimeData>
#include <QPainter>
#include <QPdfWriter>
#include <QTimer>

#include "app/drawings/sheet_canvas.h"
#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/aligning.h"
#include "app/model/document.h"
#include "app/model/drawings_in_view.h"
#include "app/model/in_view.h"
#include "app/section/section_view.h"
#include "app/shell/header_bar.h"
#include "app/shell/status_line.h"
#include "app/site/site_view.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

using yemvo::test::TemporaryFolder;

/// 600 x 400 pixels, a frame from (50, 50) to (550, 350) and a bar over its left third.
QImage plan_picture(int shift = 0) {
    QImage picture(600, 400, QImage::Format_RGB32);
    picture.fill(Qt::white);
    QPainter p(&picture);
    p.setPen(QPen(Qt::black, 3));
    p.drawRect(50, 50, 500, 300);
    p.fillRect(100 + shift, 100, 60, 120, Qt::black);
    return picture;
}

QString picture_file(const TemporaryFolder& folder, const char* name, int shift = 0) {
    const QString file = QString::fromStdString(folder / name);
    REQUIRE(plan_picture(shift).save(file));
    return file;
}

QString pdf_file(const TemporaryFolder& folder) {
    const QString file = QString::fromStdString(folder / "sheets.pdf");
    QPdfWriter pdf(file);
    pdf.setPageMargins(QMarginsF(0, 0, 0, 0));
    pdf.setPageSize(QPageSize(QSizeF(360, 180), QPageSize::Point));
    QPainter p(&pdf);
    for (int page = 0; page < 3; ++page) {
        if (page) pdf.newPage();
        p.fillRect(QRectF(100 * page, 100, 400, 300), Qt::black);
    }
    return file;
}

QString dxf_file(const TemporaryFolder& folder, const char* units, const char* name = "plan.dxf") {
    const QString file = QString::fromStdString(folder / name);
    QFile out(file);
    REQUIRE(out.open(QIODevice::WriteOnly));
    QByteArray text = "0\nSECTION\n2\nHEADER\n";
    if (*units) text += QByteArray("9\n$INSUNITS\n70\n") + units + "\n";
    text += "0\nENDSEC\n0\nSECTION\n2\nENTITIES\n";
    const auto line = [&](const char* layer, double x0, double y0, double x1, double y1) {
        text += QByteArray("0\nLINE\n8\n") + layer;
        int code = 10;
        for (double v : {x0, y0, x1, y1}) {
            text += "\n" + QByteArray::number(code) + "\n" + QByteArray::number(v, 'f', 3);
            code = code == 10 ? 20 : code == 20 ? 11 : 21;
        }
        text += "\n";
    };
    line("WALLS", 0, 0, 30000, 0);
    line("WALLS", 30000, 0, 30000, 20000);
    line("WALLS", 30000, 20000, 0, 20000);
    line("WALLS", 0, 20000, 0, 0);
    line("AXES", -9000, 10000, 39000, 10000);
    text += "0\nENDSEC\n0\nEOF\n";
    out.write(text);
    return file;
}

SheetCanvas& canvas(Driver& d) { return d.window.prepare().canvas(); }

void move_held(QWidget& widget, QPoint to, Qt::KeyboardModifiers keys = Qt::NoModifier) {
    QMouseEvent e(QEvent::MouseMove, QPointF(to), widget.mapToGlobal(QPointF(to)), Qt::NoButton,
                  Qt::LeftButton, keys);
    QApplication::sendEvent(&widget, &e);
}

void drag(QWidget& widget, QPoint from, QPoint to, Qt::KeyboardModifiers keys = Qt::NoModifier) {
    QTest::mouseMove(&widget, from);
    QTest::mousePress(&widget, Qt::LeftButton, keys, from);
    for (int i = 1; i <= 4; ++i) move_held(widget, from + (to - from) * i / 4, keys);
    QTest::mouseRelease(&widget, Qt::LeftButton, keys, to);
}

void opened(Driver& d) {
    REQUIRE(QTest::qWaitFor([&] { return !d.window.is_working(); }, 10000));
    REQUIRE(d.window.is_preparing());
}

void import(Driver& d, const QString& file) {
    d.window.import_drawing(file);
    opened(d);
}

void type_into(Driver& d, const char* field, const char* text) {
    auto* edit = d.find<QLineEdit>(field);
    edit->setFocus();
    edit->selectAll();
    QTest::keyClicks(edit, text);
    QTest::keyClick(edit, Qt::Key_Return);
}

void length(Driver& d, Point a, Point b, const char* typed) {
    d.click(a);
    d.click(b);
    d.type(typed);
    d.key(Qt::Key_Return);
}

/// Waits for the menu that the action opens and triggers one of its entries.
void through_menu(Driver& d, const QString& entry, const std::function<void()>& open) {
    bool found = false;
    QTimer::singleShot(0, &d.window, [&] {
        auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
        if (!menu) return;
        for (QAction* a : menu->actions())
            if (a->text() == entry && a->isEnabled()) {
                found = true;
                a->trigger();
            }
        menu->close();
    });
    open();
    INFO(entry.toStdString());
    CHECK(found);
}

void section_menu(Driver& d, FloorId floor, const QString& entry) {
    through_menu(d, entry, [&] {
        const QPoint at = d.window.section().storey_area(floor).bottomLeft().toPoint() + QPoint(8, -6);
        QContextMenuEvent e(QContextMenuEvent::Mouse, at, d.window.section().mapToGlobal(at));
        QApplication::sendEvent(&d.window.section(), &e);
    });
}

/// Lets the plan ask for its drawings and waits until they are there.
void drawn(Driver& d) {
    d.plan().grab();
    REQUIRE(QTest::qWaitFor([&] { return !d.plan().is_reading(); }, 5000));
    turn_of_the_loop();
}

void wall_on(Driver& d, const char* type, std::vector<Point> points) {
    d.w().edit("Draw", [&](Project& p) {
        Wall w;
        w.type = find_type(p, type);
        w.points = points;
        add_wall(p, d.w().floor_id(), w);
    });
}

}  // namespace

TEST_CASE(
    "a picture is levelled by a picked line, cropped by a dragged frame, lightened, and undone in one step") {
    const TemporaryFolder folder;
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    import(d, picture_file(folder, "plan.png"));
    // the task is ended first: nothing else is gone to by name meanwhile
    d.menu("view.find");
    CHECK_FALSE(d.window.findChild<QLineEdit*>("commandText"));
    SheetCanvas& c = canvas(d);
    d.press_main("level");
    QTest::mouseClick(&c, Qt::LeftButton, {}, c.px({50, 350}).toPoint());
    QTest::mouseClick(&c, Qt::LeftButton, {}, c.px({550, 324}).toPoint());  // rises by 3 degrees
    CHECK(number_in(d.find<QLineEdit>("prepareTurn")->text()) ==
          Approx(-std::atan2(26, 500) * 180 / M_PI).margin(0.3));
    type_into(d, "prepareTurn", "0");
    d.press_button("quarterLeft");
    CHECK(d.find<QLineEdit>("prepareTurn")->text() == shown_as("90.00"));
    type_into(d, "prepareTurn", "0");
    drag(c, c.px({40, 40}).toPoint(), c.px({560, 360}).toPoint());
    REQUIRE(c.crop().size() == 4);
    drag(c, c.px({560, 200}).toPoint(), c.px({300, 200}).toPoint());  // the frame's right edge
    CHECK((*bounds(c.crop())).high.x == Approx(300).margin(4));
    d.find<QSlider>("prepareLighten")->setValue(40);
    d.press_main("prepareAccept");
    CHECK_FALSE(d.window.is_preparing());
    REQUIRE(d.floor().drawings->size() == 1);
    const Drawing laid = d.drawing();
    CHECK(laid.name == "plan.png");
    CHECK(laid.lighten == Approx(0.4));
    CHECK_FALSE(laid.to_scale());
    CHECK(extent(laid).low.x == Approx(0).margin(1e-9));
    CHECK(extent(laid).low.y == Approx(0).margin(1e-9));
    CHECK(d.w().document().history().undoText() == "Lay drawing");
    d.window.plan().setFocus();
    d.key(Qt::Key_Z, Qt::ControlModifier);
    CHECK(d.floor().drawings->empty());
}

TEST_CASE("a PDF shows its pages; the chosen one lies under the chosen floor, to its printed scale") {
    const TemporaryFolder folder;
    Driver d;
    d.window.open_project(new_project("P", {}, 2, 3), {});
    import(d, pdf_file(folder));
    auto* pages = d.find<QListWidget>("preparePages");
    REQUIRE(pages->count() == 3);
    const QImage first = pages->item(0)->icon().pixmap(150, 150).toImage();
    CHECK(first != pages->item(2)->icon().pixmap(150, 150).toImage());
    pages->setCurrentRow(2);
    opened(d);
    SheetCanvas& c = canvas(d);
    drag(c, c.px({20, 20}).toPoint(), c.px({340, 160}).toPoint());
    d.choose("prepareFloor", "First floor");
    CHECK(c.crop().size() == 4);  // choosing the floor loses nothing
    d.press_button("wholeSheet");
    type_into(d, "prepareRatio", "1:200");
    CHECK(d.find<QLabel>("preparedSize")->text().contains(shown_as("25.40 m × 12.70 m")));
    d.lay_prepared();
    CHECK(d.floor().name == "First floor");
    CHECK(d.drawing().source.page == 2);
    CHECK(d.drawing().scale_by == ScaleBy::printed_ratio);
    CHECK(extent(d.drawing()).width() == Approx(25.4));
}

TEST_CASE("a DXF's layers can be left out, its unit is taken from the file or guessed and asked") {
    const TemporaryFolder folder;
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    import(d, dxf_file(folder, ""));
    CHECK(d.find<QComboBox>("prepareUnit")->currentText() == "Millimetres");
    auto* layers = d.find<QListWidget>("prepareLayers");
    REQUIRE(layers->count() == 2);
    for (int i = 0; i < 2; ++i)
        if (layers->item(i)->text().startsWith("AXES")) layers->item(i)->setCheckState(Qt::Unchecked);
    d.choose("prepareUnit", "Centimetres");
    CHECK(d.find<QLabel>("preparedSize")->text().contains(shown_as("480.00 m")));
    d.choose("prepareUnit", "Millimetres");
    d.lay_prepared();
    CHECK(d.drawing().source.hidden_layers == std::vector<std::string>{"AXES"});
    CHECK(d.drawing().scale_by == ScaleBy::file_units);
    CHECK(d.drawing().placement.scale == Approx(0.001));
    drawn(d);
    const Point corner = d.drawing().to_venue({0, 0}), right = d.drawing().to_venue({30000, 0});
    CHECK(distance(corner, right) == Approx(30));
    int darkest = 255;  // its line is on the plan
    for (int px = -2; px <= 2; ++px)
        darkest = std::min(
            darkest, d.pixel(lerp(corner, right, 0.31) + Point{0, px / d.plan().map().px_per_m}).lightness());
    CHECK(darkest < 225);  // the paper is at 249
    import(d, dxf_file(folder, "4", "told.dxf"));
    CHECK(d.find<QComboBox>("prepareUnit")->currentText() == "Millimetres");
}

TEST_CASE("the next floor's sheet lies like the one below at a press of the button") {
    const TemporaryFolder folder;
    Driver d;
    d.window.open_project(new_project("P", {}, 2, 3), {});
    import(d, picture_file(folder, "ground.png"));
    d.lay_prepared();
    d.key(Qt::Key_L);
    const Drawing raw = d.drawing();
    length(d, raw.to_venue({50, 350}), raw.to_venue({550, 350}), "25 m");
    const Drawing ground = d.drawing();
    d.w().in_view().show_floor(all_floors(d.project())[1]->id);
    import(d, picture_file(folder, "first.png", 20));
    CHECK(d.find<QComboBox>("prepareLike")->currentText() == "Same as ground.png");
    d.lay_prepared();
    CHECK(d.drawing().placement == ground.placement);
    CHECK(d.drawing().scale_by == ScaleBy::like_another);
    CHECK(d.floor().name == "First floor");
}

TEST_CASE("several known lengths are fitted, each disagreement is shown, the wrong one left out") {
    const TemporaryFolder folder;
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    import(d, picture_file(folder, "plan.png"));
    d.lay_prepared();
    d.key(Qt::Key_L);
    auto sheet = [&](double x, double y) { return d.drawing().to_venue({x, y}); };
    length(d, sheet(50, 350), sheet(550, 350), "25");
    d.plan().fit();
    length(d, sheet(50, 350), sheet(50, 50), "16.5");  // 15 m in truth
    REQUIRE(d.drawing().lengths.size() == 2);
    // drawn 500 and 300 px, known 25 and 16.5 m: s = (12500 + 4950) / 340000 m a px
    CHECK(d.drawing().placement.scale == Approx(17450.0 / 340000).epsilon(0.01));
    CHECK(d.find<QLabel>("disagreement-1")->text().contains("6" + QLocale().decimalPoint()));
    CHECK(d.window.findChild<StatusLine*>("status")->message().contains("disagree"));
    d.press_button("dropLength-1");
    CHECK(d.drawing().placement.scale == Approx(0.05).epsilon(0.01));
    CHECK(d.w().document().history().undoText() == "Set scale");
    // the check line tells without changing anything
    d.choose("scaleMode", "Check a length");
    d.plan().setFocus();
    const Project before = d.project();
    length(d, sheet(50, 350), sheet(50, 50), "15 m");
    CHECK(d.window.findChild<StatusLine*>("status")->message().contains("known"));
    CHECK(d.project() == before);
}

TEST_CASE("a room of known area gives the scale, and what was drawn grows with it when asked to") {
    const TemporaryFolder folder;
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    import(d, picture_file(folder, "plan.png"));
    d.lay_prepared();
    d.w().activity().set_tool(ToolId::scale);
    auto sheet = [&](double x, double y) { return d.drawing().to_venue({x, y}); };
    wall_on(d, "plasterboard", {sheet(50, 350), sheet(550, 350)});
    d.press_button("scaleWithFloor");
    d.choose("scaleMode", "A known area");
    d.plan().setFocus();
    for (Point p : {Point{50, 350}, {550, 350}, {550, 50}, {50, 50}}) d.click(sheet(p.x, p.y));
    d.key(Qt::Key_Return);
    d.type("375 m2");
    d.key(Qt::Key_Return);
    CHECK(d.drawing().scale_by == ScaleBy::area);
    CHECK(d.drawing().placement.scale == Approx(0.05).epsilon(0.01));
    const auto& points = d.floor().walls->front().points;
    CHECK(distance(points[0], points[1]) == Approx(25).epsilon(0.02));
    CHECK(distance(points[0], sheet(50, 350)) < 0.2);
    CHECK_THROWS_AS(parse_length_m("12 parsecs"), Error);
}

TEST_CASE("a newer revision takes the old one's place, differences are tinted, and it can be gone back") {
    const TemporaryFolder folder;
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    import(d, picture_file(folder, "a.png"));
    d.lay_prepared();
    d.key(Qt::Key_L);
    const Drawing raw = d.drawing();
    length(d, raw.to_venue({50, 350}), raw.to_venue({550, 350}), "25 m");
    d.key(Qt::Key_S);
    const Drawing old = d.drawing();
    const QString newer = picture_file(folder, "b.png", 200);
    d.window.asking().open_file = [&](const QString&, const QString&) { return newer; };
    through_menu(d, "Newer revision…",
                 [&] { d.press_button(qPrintable(QString("drawingMenu-%1").arg(old.id.value))); });
    d.lay_prepared();
    CHECK(d.drawing().id == old.id);
    CHECK(d.drawing().source.asset == "b.png");
    CHECK(d.drawing().placement == old.placement);
    CHECK(d.drawing().to_scale());
    REQUIRE(d.drawing().earlier);
    CHECK(d.w().drawings().comparison().show == Comparison::Show::difference);
    d.plan().fit();
    drawn(d);
    const QColor gone = d.pixel(d.drawing().to_venue({130, 160})),
                 come = d.pixel(d.drawing().to_venue({330, 160}));
    CHECK(gone.red() > gone.blue() + 40);
    CHECK(come.blue() > come.red() + 40);
    d.choose("compareRevision", "Older only");
    drawn(d);
    CHECK(d.pixel(d.drawing().to_venue({330, 160})).lightness() > 200);
    d.choose("compareRevision", "Blink");
    CHECK(QTest::qWaitFor(
        [&] {
            return !d.plan().is_reading() && d.pixel(d.drawing().to_venue({130, 160})).lightness() < 200;
        },
        3000));
    d.press_button("backToOlder");
    CHECK(d.drawing().source.asset == "a.png");
    CHECK_FALSE(d.drawing().earlier);
}

TEST_CASE("several drawings lie under one floor, each hidden, faded, ordered and removed by itself") {
    const TemporaryFolder folder;
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    import(d, picture_file(folder, "a.png"));
    d.lay_prepared();
    import(d, dxf_file(folder, "4"));
    d.lay_prepared();
    REQUIRE(d.floor().drawings->size() == 2);
    const DrawingId lower = d.floor().drawings->front().id, upper = d.floor().drawings->back().id;
    d.press_button(qPrintable(QString("drawing-%1").arg(lower.value)));
    CHECK(d.drawing().id == lower);
    type_into(d, "drawingOpacity", "30");
    CHECK(find_drawing(d.floor(), lower)->opacity == Approx(0.3));
    d.press_button(qPrintable(QString("drawingShown-%1").arg(upper.value)));
    CHECK_FALSE(find_drawing(d.floor(), upper)->shown);
    const auto menu = [&](DrawingId id) {
        return [&d, id] { d.press_button(qPrintable(QString("drawingMenu-%1").arg(id.value))); };
    };
    through_menu(d, "Up", menu(lower));
    CHECK(d.floor().drawings->back().id == lower);
    through_menu(d, "Remove", menu(upper));
    CHECK(d.floor().drawings->size() == 1);
}

TEST_CASE("a laid drawing is prepared again without losing its place and scale") {
    const TemporaryFolder folder;
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    import(d, dxf_file(folder, "4"));
    d.lay_prepared();
    const Drawing before = d.drawing();
    through_menu(d, "Prepare again…",
                 [&] { d.press_button(qPrintable(QString("drawingMenu-%1").arg(before.id.value))); });
    opened(d);
    SheetCanvas& c = canvas(d);
    drag(c, c.px({2000, -19000}).toPoint(), c.px({28000, -1000}).toPoint());
    d.press_main("prepareAccept");
    CHECK(d.drawing().placement == before.placement);
    CHECK(d.drawing().to_scale());
    CHECK(extent(d.drawing()).width() == Approx(26).margin(0.4));
}

TEST_CASE("a picture on the clipboard is pasted; Escape leaves the page and nothing is laid") {
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    QApplication::clipboard()->setImage(plan_picture());
    d.menu("edit.paste");
    opened(d);
    QTest::keyClick(&canvas(d), Qt::Key_Escape);
    CHECK_FALSE(d.window.is_preparing());
    CHECK(d.floor().drawings->empty());
    d.menu("edit.paste");
    d.lay_prepared();
    CHECK(d.drawing().source.sheet.high == Point{600, 400});
    QApplication::clipboard()->setText("no picture");
    d.menu("edit.paste");
    CHECK(d.window.findChild<StatusLine*>("status")->message().contains("nor a drawing"));
}

TEST_CASE("outer size typed instead of a drawing; feet and inches are taken") {
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    auto* width = d.find<QLineEdit>("outerWidth");
    width->setFocus();
    QTest::keyClicks(width, "60'");
    auto* depth = d.find<QLineEdit>("outerDepth");
    depth->setFocus();
    QTest::keyClicks(depth, "12000mm");
    d.press_button("drawOuter");
    REQUIRE(d.floor().walls->size() == 1);
    const Box box = *bounds(d.floor().walls->front().points);
    const double thick = wall_type(d.project(), d.floor().walls->front().type).thickness_m;
    CHECK(box.width() + thick == Approx(18.288));
    CHECK(box.height() + thick == Approx(12));
}

TEST_CASE("three floors are aligned by pairs of places over the ghost of the one below") {
    Driver d;
    Project p = new_project("P", {}, 3, 3);
    const Similarity off[] = {{}, {1, 3, {2, -1}}, {1, -5, {-1.5, 2.5}}};
    for (std::size_t i = 0; i < 3; ++i)
        yemvo::test::wall(p, "brick-half", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}}, 0, {}, i);
    for (std::size_t i : {1u, 2u}) transform_floor(p, yemvo::test::floor_at(p, i), off[i]);
    d.window.open_project(p, {});
    for (std::size_t i : {1u, 2u}) {
        section_menu(d, all_floors(d.project())[i]->id, "Align…");
        CHECK(d.w().activity().tool() == ToolId::align);
        d.plan().fit();
        d.plan().zoom(0.7);
        for (Point corner : {Point{0, 0}, {20, 0}, {20, 12}, {0, 12}}) {
            d.click(off[i].apply(corner));
            d.click(corner);
        }
        CHECK(d.find<QLabel>("alignOutcome")->text().contains(shown_as("agree within 0.00")));
        QTest::keyClick(&d.plan(), Qt::Key_Return);
        const auto points = d.floor().walls->front().points;
        CHECK(distance(points[0], {0, 0}) < 0.01);
        CHECK(distance(points[2], {20, 12}) < 0.01);
        REQUIRE(d.floor().alignment);
        CHECK(d.floor().alignment->to == all_floors(d.project())[i - 1]->id);
        CHECK(d.w().document().history().undoText() == "Align floor");
    }
}

TEST_CASE("while aligning, the pair that disagrees is named and can be left out") {
    Driver d;
    Project p = new_project("P", {}, 2, 3);
    for (std::size_t i : {0u, 1u})
        yemvo::test::wall(p, "brick-half", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}}, 0, {}, i);
    d.window.open_project(p, {});
    d.w().in_view().show_floor(all_floors(d.project())[1]->id);
    d.key(Qt::Key_I);
    d.plan().fit();
    d.plan().zoom(0.8);
    for (Point corner : {Point{0, 0}, {20, 0}, {20, 12}, {0, 12}}) {
        d.click(corner);
        d.click(corner == Point{20, 0} ? Point{18.5, 0} : corner);
    }
    const QString outcome = d.find<QLabel>("alignOutcome")->text();
    CHECK(outcome.contains("Pair 2 disagrees"));
    d.press_button("dropPair-1");
    CHECK(d.find<QLabel>("alignOutcome")->text().contains(shown_as("agree within 0.00")));
    d.plan().setFocus();
    d.key(Qt::Key_Escape);
    CHECK(d.w().aligning().pairs().size() == 2);
}

TEST_CASE("the section's menu inserts, duplicates with what is chosen, adds a mezzanine, moves and deletes") {
    Driver d;
    d.window.open_project(new_project("P", {}, 2, 3), {});
    wall_on(d, "brick-half", {{0, 0}, {20, 0}});
    const FloorId ground = d.w().floor_id();
    d.window.asking().duplicate = [](const QString& floor) {
        CHECK(floor == "Ground floor");
        return std::optional(FloorParts{true, false, false, false, false});
    };
    section_menu(d, ground, "Duplicate…");
    CHECK(d.floor().walls->size() == 1);
    CHECK(all_floors(d.project()).size() == 3);
    section_menu(d, ground, "Insert a floor above");
    CHECK(d.floor().walls->empty());
    CHECK(d.floor().elevation_m == 3);
    section_menu(d, ground, "Add a mezzanine");
    CHECK(d.floor().mezzanine);
    section_menu(d, ground, "Move up");
    CHECK(find_floor(d.project(), ground)->elevation_m == 3);
    section_menu(d, ground, "Delete Ground floor");
    CHECK(find_floor(d.project(), ground) == nullptr);
    CHECK(d.w().document().history().undoText() == "Delete Ground floor");
}

TEST_CASE("a slab dragged in the section changes the storey under it, as one step to undo") {
    Driver d;
    d.window.open_project(new_project("P", {}, 3, 3), {});
    SectionView& section = d.window.section();
    const FloorId first = all_floors(d.project())[1]->id;
    const QPoint slab = section.slab_area(first).center().toPoint();
    const double px_per_m = section.layout_now().px_per_m;
    drag(section, slab, slab - QPoint(0, static_cast<int>(px_per_m)));
    const auto floors = all_floors(d.project());
    CHECK(floors[0]->height_m == Approx(4).margin(0.06));
    CHECK(floors[1]->elevation_m == Approx(floors[0]->height_m));
    CHECK(floors[2]->elevation_m == Approx(floors[0]->height_m + 3));
    d.key(Qt::Key_Z, Qt::ControlModifier);
    CHECK(all_floors(d.project())[0]->height_m == 3);
}

TEST_CASE("with 1, 6 and 40 floors the section shows every one in order, the open one in sight") {
    for (int count : {1, 6, 40}) {
        Driver d;
        d.window.open_project(new_project("Tower", {}, count, 3.4), {});
        SectionView& section = d.window.section();
        const SectionLayout layout = section.layout_now();
        REQUIRE(layout.storeys.size() == static_cast<std::size_t>(count));
        CHECK(layout.rows == (count == 40));
        for (std::size_t i = 1; i < layout.storeys.size(); ++i)
            CHECK(layout.storeys[i].room.bottom() <= layout.storeys[i - 1].room.top());
        for (const SectionStorey& s : layout.storeys) CHECK(s.room.height() >= 18);
        for (const Floor* f : all_floors(d.project())) {
            d.w().in_view().show_floor(f->id);
            const QRectF room = section.storey_area(f->id);
            CHECK(room.top() >= 40);
            CHECK(room.bottom() <= section.height() - 20);
        }
    }
}

TEST_CASE("a second building and a yard are placed and turned on the site, and open from there") {
    Driver d;
    d.window.open_project(yemvo::test::one_floor(), {});
    wall_on(d, "brick-half", {{0, 0}, {20, 0}, {20, 12}, {0, 12}, {0, 0}});
    d.press_main("siteButton");
    REQUIRE(d.w().in_view().site_shown());
    d.press_button("addBuilding");
    REQUIRE(d.project().buildings.size() == 2);
    const BuildingId id = d.project().buildings[1].id;
    CHECK(d.w().in_view().building()->id == id);
    CHECK(d.project().buildings[1].placement.shift.x > 20);
    turn_of_the_loop();  // the section grows wider
    SiteView& site = d.window.site();
    const Point before = d.project().buildings[1].placement.shift;
    const QPoint inside = site.px(before + Point{4, 4}).toPoint();
    drag(site, inside, site.px(before + Point{9, 9}).toPoint());
    CHECK(distance(d.project().buildings[1].placement.shift, before + Point{5, 5}) < 0.3);
    CHECK(d.w().document().history().undoText() == "Move building");
    const QPoint handle = site.turn_handle().toPoint();
    drag(site, handle, handle + QPoint(160, 160), Qt::ShiftModifier);
    const double turn = d.project().buildings[1].placement.turn_deg;
    CHECK(turn != 0);
    CHECK(std::fmod(std::abs(turn), 15) == Approx(0).margin(1e-6));
    type_into(d, "buildingTurn", "12.5");
    CHECK(d.project().buildings[1].placement.turn_deg == 12.5);
    type_into(d, "buildingLevel", "-1.5");
    CHECK(d.project().buildings[1].level_m == -1.5);
    d.press_button("addYard");
    REQUIRE(d.project().buildings.size() == 3);
    CHECK(d.project().buildings[2].kind == BuildingKind::yard);
    d.press_button("removeBuilding");
    CHECK(d.project().buildings.size() == 2);
    site.fit();
    const Point middle = d.project().buildings[1].placement.apply({3, 3});
    QTest::mouseDClick(&site, Qt::LeftButton, {}, site.px(middle).toPoint());
    CHECK_FALSE(d.w().in_view().site_shown());
    CHECK(building_with(d.project(), d.w().floor_id()).id == id);
    CHECK(d.window.section().layout_now().stacks.size() == 2);
}
