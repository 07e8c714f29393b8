// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/look/access.h"

#include <QAbstractButton>
#include <QAbstractItemView>
#include <QApplication>
#include <QComboBox>
#include <QEvent>
#include <QLineEdit>
#include <QRegularExpression>
#include <QTextEdit>

namespace yemvo::app {
namespace {

constexpr const char* named_by_hint = "namedByHint";

/// "Draw walls (W)": the first line, without the key.
QString name_in(const QString& hint) {
    static const QRegularExpression key("\\s*\\([^()]*\\)\\s*$"), tags("<[^>]*>");
    QString first = hint.section('\n', 0, 0).section("<br", 0, 0);
    return first.remove(tags).remove(key).trimmed();
}

QString words_of(const QWidget& w) {
    if (const auto* button = qobject_cast<const QAbstractButton*>(&w)) return button->text();
    return {};
}

QString shown_while_empty(const QWidget& w) {
    if (const auto* edit = qobject_cast<const QLineEdit*>(&w)) return edit->placeholderText();
    if (const auto* text = qobject_cast<const QTextEdit*>(&w)) return text->placeholderText();
    if (const auto* combo = qobject_cast<const QComboBox*>(&w)) return combo->placeholderText();
    return {};
}

bool wants_name(const QWidget& w) {
    return qobject_cast<const QAbstractButton*>(&w) || qobject_cast<const QLineEdit*>(&w) ||
           qobject_cast<const QComboBox*>(&w) || qobject_cast<const QTextEdit*>(&w);
}

void call_by_hint(QWidget& w) {
    if (!w.accessibleName().isEmpty() && !w.property(named_by_hint).toBool()) return;
    if (!words_of(w).isEmpty()) return;
    QString name = name_in(w.toolTip());
    if (name.isEmpty()) name = shown_while_empty(w);
    if (name.isEmpty()) return;
    w.setProperty(named_by_hint, true);
    w.setAccessibleName(name);
}

class Watch : public QObject {
public:
    using QObject::QObject;
    bool eventFilter(QObject* object, QEvent* event) override {
        if (event->type() != QEvent::Polish && event->type() != QEvent::ToolTipChange) return false;
        if (!object->isWidgetType()) return false;
        auto& w = *static_cast<QWidget*>(object);
        if (wants_name(w)) call_by_hint(w);
        if (auto* view = qobject_cast<QAbstractItemView*>(object)) view->setTabKeyNavigation(false);
        return false;
    }
};

}  // namespace

void make_accessible(QApplication& app) {
    constexpr const char* name = "accessWatch";
    if (app.findChild<QObject*>(name)) return;
    auto* watch = new Watch(&app);
    watch->setObjectName(name);
    app.installEventFilter(watch);
}

void belongs_to(QWidget* field, const QString& label) {
    field->setProperty(named_by_hint, false);
    field->setAccessibleName(label);
}

}  // namespace yemvo::app
