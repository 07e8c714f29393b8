// SPDX-License-Identifier: GPL-3.0-or-later
// By keyboard and ear: every control has a name, Tab leaves every list.
#include <QAbstractItemView>
#include <QAccessible>
#include <QSpinBox>
#include <QTableWidget>
#include <QTextEdit>
#include <set>

#include "app/driver.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/selection.h"

using namespace yemvo;
using namespace yemvo::app;
using namespace yemvo::app::test;

namespace {

QString name_of(QWidget& w) {
    QAccessibleInterface* face = QAccessible::queryAccessibleInterface(&w);
    return face ? face->text(QAccessible::Name).trimmed() : QString();
}

bool is_part_of_another(const QWidget& w) {
    return w.objectName().startsWith("qt_") || qobject_cast<const QComboBox*>(w.parentWidget()) ||
           qobject_cast<const QAbstractSpinBox*>(w.parentWidget()) || w.inherits("QTableCornerButton") ||
           w.inherits("QComboBoxPrivateScroller");
}

/// Visible controls that say nothing of themselves, as "QLineEdit heightField".
void collect_nameless(QWidget& in, std::set<QString>& found) {
    for (QWidget* w : in.findChildren<QWidget*>()) {
        const bool control = qobject_cast<QAbstractButton*>(w) || qobject_cast<QLineEdit*>(w) ||
                             qobject_cast<QComboBox*>(w) || qobject_cast<QTextEdit*>(w);
        if (control && w->isVisible() && !is_part_of_another(*w) && name_of(*w).isEmpty())
            found.insert(QString("%1 %2 in %3")
                             .arg(w->metaObject()->className(), w->objectName(),
                                  w->parentWidget()->metaObject()->className()));
    }
}

std::string all(const std::set<QString>& found) {
    return QStringList(found.begin(), found.end()).join("; ").toStdString();
}

}  // namespace

TEST_CASE("every control in view has a name that is read out") {
    Driver d;
    std::set<QString> nameless;
    d.window.show();
    collect_nameless(d.window, nameless);  // the start page
    d.window.open_demo();
    REQUIRE(d.settle());
    for (const Step step : {Step::venue, Step::demand, Step::placement, Step::spectrum, Step::proof}) {
        d.w().activity().set_step(step);
        QCoreApplication::processEvents();
        collect_nameless(d.window, nameless);
    }
    d.w().activity().set_step(Step::venue);
    // the form of one thing of each kind
    std::set<ItemKind> seen;
    for (const Floor* f : all_floors(d.project())) {
        d.w().in_view().show_floor(f->id);
        for (const Item& item : all_items(d.project(), *f)) {
            if (!seen.insert(item.kind).second) continue;
            d.w().selection().select_alone({item});
            QCoreApplication::processEvents();
            collect_nameless(d.window, nameless);
        }
    }
    CHECK(seen.size() >= 8);
    for (const char* page : {"view.findings", "view.costs", "view.history", "view.site", "view.types",
                             "file.versions", "help.guide"})
        if (QAction* action = d.window.action(page)) {
            action->trigger();
            QCoreApplication::processEvents();
            collect_nameless(d.window, nameless);
        }
    INFO(all(nameless));
    CHECK(nameless.empty());
}

TEST_CASE("Tab goes on from every table and list to what comes next") {
    Driver d;
    d.window.open_demo();
    REQUIRE(d.settle());
    for (const Step step : {Step::venue, Step::spectrum, Step::proof}) {
        d.w().activity().set_step(step);
        QCoreApplication::processEvents();
        for (auto* view : d.window.findChildren<QAbstractItemView*>()) {
            INFO(view->objectName().toStdString() << ", " << view->metaObject()->className());
            if (view->isVisible()) CHECK_FALSE(view->tabKeyNavigation());
        }
    }
}
