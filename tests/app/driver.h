// SPDX-License-Identifier: GPL-3.0-or-later
// Drives the real window by mouse and keyboard.
#pragma once
#include <QAbstractButton>
#include <QApplication>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QTest>
#include <QToolButton>
#include <catch2/catch.hpp>

#include "app/app_window.h"
#include "app/model/drawings_in_view.h"
#include "app/model/results.h"
#include "app/model/shown_map.h"
#include "app/plan/plan_view.h"
#include "app/prediction/prediction_runner.h"
#include "app/turn.h"
#include "base/number_text.h"
#include "core/support.h"
#include "render/text_style.h"

namespace yemvo::app {

/// Text with numbers as the window shows it in the desktop's language.
inline QString shown_as(const char* text) { return render::local(text); }
/// A number that the window shows.
inline double number_in(const QString& text) { return read_number(render::plain(text)).value_or(NAN); }

}  // namespace yemvo::app

namespace yemvo::app::test {

class Driver {
public:
    Driver() {
        window.asking().unsaved = [this](const QString&) {
            ++unsaved_asked;
            return unsaved_answer;
        };
        window.asking().tell_failure = [this](const QString&, const QString& message) { failure = message; };
        window.resize(1280, 800);
        window.show();
        REQUIRE(QTest::qWaitForWindowExposed(&window));
    }
    Workspace& w() { return window.workspace(); }
    const Project& project() { return w().project(); }
    const Floor& floor() { return *w().floor(); }
    PlanView& plan() { return window.plan(); }

    QPoint px(Point p) { return plan().map().to_screen(p).toPoint(); }
    void click(Point p, Qt::KeyboardModifiers keys = Qt::NoModifier) {
        QTest::mouseMove(&plan(), px(p));
        QTest::mouseClick(&plan(), Qt::LeftButton, keys, px(p));
    }
    void hover(Point p) { QTest::mouseMove(&plan(), px(p)); }
    void press(Point p, Qt::KeyboardModifiers keys = Qt::NoModifier) {
        QTest::mousePress(&plan(), Qt::LeftButton, keys, px(p));
    }
    void release(Point p, Qt::KeyboardModifiers keys = Qt::NoModifier) {
        QTest::mouseRelease(&plan(), Qt::LeftButton, keys, px(p));
    }
    /// Moves with the button held, as the window system reports it.
    void drag_over(Point p, Qt::KeyboardModifiers keys = Qt::NoModifier) {
        QMouseEvent e(QEvent::MouseMove, QPointF(px(p)), plan().mapToGlobal(QPointF(px(p))), Qt::NoButton,
                      Qt::LeftButton, keys);
        QApplication::sendEvent(&plan(), &e);
    }
    void drag(Point from, Point to, Qt::KeyboardModifiers keys = Qt::NoModifier) {
        press(from, keys);
        for (int i = 1; i <= 5; ++i) drag_over(lerp(from, to, i / 5.0), keys);
        release(to, keys);
    }
    void key(int k, Qt::KeyboardModifiers keys = Qt::NoModifier) {
        QWidget* target = QApplication::focusWidget() && window.isAncestorOf(QApplication::focusWidget())
                              ? QApplication::focusWidget()
                              : &window;
        QTest::keyClick(target, static_cast<Qt::Key>(k), keys);
    }
    /// Key by key, each to what has the focus by then.
    void type(const char* text) {
        for (const char* c = text; *c; ++c) QTest::keyClick(QApplication::focusWidget(), *c);
    }

    template <class T>
    T* find(const char* name) {
        T* widget = window.findChild<T*>(name);
        INFO("widget " << name);
        REQUIRE(widget);
        return widget;
    }
    /// Clears a field, types and confirms, as a person would.
    void fill(const char* name, const char* text) {
        auto* field = find<QLineEdit>(name);
        field->setFocus();
        field->selectAll();
        QTest::keyClicks(field, text);
        QTest::keyClick(field, Qt::Key_Return);
    }
    /// Chooses an entry by its text with the keyboard.
    void choose(const char* name, const QString& text) {
        auto* combo = find<QComboBox>(name);
        const int index = combo->findText(text);
        INFO(name << ": " << text.toStdString());
        REQUIRE(index >= 0);
        combo->setFocus();
        QTest::keyClick(combo, Qt::Key_Home);
        for (int i = 0; i < index; ++i) QTest::keyClick(combo, Qt::Key_Down);
        CHECK(combo->currentIndex() == index);
    }
    /// As a click in the opened list does: at once, without passing the entries between.
    void pick(const char* name, const QString& text) {
        auto* combo = find<QComboBox>(name);
        const int index = combo->findText(text);
        INFO(name << ": " << text.toStdString());
        REQUIRE(index >= 0);
        combo->setCurrentIndex(index);
        emit combo->activated(index);
    }
    void press_button(const char* name) {
        auto* button = find<QAbstractButton>(name);
        QTest::mouseClick(button, Qt::LeftButton);
    }
    void menu(const char* command) {
        QAction* a = window.action(command);
        INFO("command " << command);
        REQUIRE(a);
        a->trigger();
    }
    /// The drawing of the floor in view that Details are about.
    const Drawing& drawing() { return *w().drawings().drawing(); }
    /// Waits until the preparation page has opened its file and presses its main button.
    void lay_prepared() {
        REQUIRE(QTest::qWaitFor([this] { return !window.is_working(); }, 10000));
        REQUIRE(window.is_preparing());
        press_main("prepareAccept");
        CHECK_FALSE(window.is_preparing());
    }
    /// A main button carries its own name in a property.
    void press_main(const char* name) {
        for (auto* b : window.findChildren<QAbstractButton*>())
            if (b->property("tests").toString() == name) return QTest::mouseClick(b, Qt::LeftButton);
        FAIL("no button " << name);
    }
    bool settle() {
        return QTest::qWaitFor(
                   [this] {
                       return !window.is_working() && !plan().is_reading() && window.runner().is_idle() &&
                              w().results().prediction() && w().results().prediction()->verdict.has_value();
                   },
                   10000) &&
               (turn_of_the_loop(), true);
    }
    /// The value of the map under a place; NaN where there is none.
    float map_at(Point p) {
        const FloorPrediction* f = w().results().floor_prediction();
        if (!f) return NAN;
        const auto cell = f->surface.cell_at(p);
        return cell ? lens_values(*f, render::look_of(w().project(), w().shown().map()))[*cell] : NAN;
    }
    QColor pixel(Point p) { return plan().grab().toImage().pixelColor(px(p)); }

    Asking::Unsaved unsaved_answer = Asking::Unsaved::discard;
    int unsaved_asked = 0;
    QString failure;
    AppWindow window;
};

}  // namespace yemvo::app::test
