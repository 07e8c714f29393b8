// SPDX-License-Identifier: GPL-3.0-or-later
// By keyboard and ear: every control has a name, Tab leaves every list.
#include <QAbstractItemView>
#include <QAccessible>
#include <QSpinBox>
#include <QTableWidget>
#include <QTextEdit>
#include <set>

#include "app/look/every_view.h"

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
    CHECK(every_view(d, [&](const QString&) { collect_nameless(d.window, nameless); }) >= 8);
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
