// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/plan/entry_box.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QStyle>

#include "app/look/theme.h"

namespace yemvo::app {

EntryBox::EntryBox(QWidget* plan) : QFrame(plan) {
    setObjectName("entryBox");
    dress(this, "QFrame#entryBox { background: @chrome; border: 1px solid @accent; border-radius: 5px; }");
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(8, 5, 8, 5);
    row->setSpacing(5);
    for (const char* name : {"entryFirst", "entrySecond"}) {
        Row r{new QLabel(this), new QLineEdit(this), new QLabel(this)};
        r.edit->setObjectName(name);
        r.edit->setFixedWidth(72);
        r.name->setObjectName("row");
        r.unit->setObjectName("row");
        r.edit->installEventFilter(this);
        const std::size_t index = fields_.size();
        connect(r.edit, &QLineEdit::textEdited, this, [this, index](const QString& text) {
            fields_[index].typed = !text.isEmpty();
            show_fault(static_cast<int>(index), {});
            emit typed_changed();
        });
        row->addWidget(r.name);
        row->addWidget(r.edit);
        row->addWidget(r.unit);
        fields_.push_back(r);
    }
    hide();
}

void EntryBox::open(const std::vector<Field>& wanted) {
    for (std::size_t i = 0; i < fields_.size(); ++i) {
        Row& r = fields_[i];
        const bool used = i < wanted.size();
        r.name->setVisible(used);
        r.edit->setVisible(used);
        r.unit->setVisible(used && !wanted[i].unit.isEmpty());
        r.typed = false;
        r.edit->clear();
        show_fault(static_cast<int>(i), {});
        if (!used) continue;
        r.name->setText(wanted[i].name);
        r.unit->setText(wanted[i].unit);
    }
    adjustSize();
    show();
    raise();
}

void EntryBox::close_box() {
    if (!isVisible()) return;
    hide();
    parentWidget()->setFocus();
}

void EntryBox::follow(QPointF pointer) {
    const QSize around = parentWidget()->size();
    const int x =
        std::clamp(static_cast<int>(pointer.x()) - width() / 2, 4, std::max(4, around.width() - width() - 4));
    int y = static_cast<int>(pointer.y()) + 39;
    if (y + height() > around.height() - 4) y = static_cast<int>(pointer.y()) - 39 - height();
    move(x, std::max(4, y));
}

void EntryBox::set_live(const std::vector<QString>& values) {
    for (std::size_t i = 0; i < values.size() && i < fields_.size(); ++i)
        if (!fields_[i].typed) {
            fields_[i].edit->setText(values[i]);
            if (fields_[i].edit->hasFocus()) fields_[i].edit->selectAll();
        }
}

void EntryBox::begin_typing(const QString& text) {
    fields_[0].edit->setFocus();
    fields_[0].edit->setText(text);
    fields_[0].typed = true;
    emit typed_changed();
}

std::vector<QString> EntryBox::typed() const {
    std::vector<QString> values;
    for (const Row& r : fields_) values.push_back(r.typed ? r.edit->text() : QString());
    return values;
}

void EntryBox::show_fault(int index, const QString& why) {
    QLineEdit* edit = field(index);
    if (edit->property("fault").toBool() == !why.isEmpty()) return;
    edit->setProperty("fault", !why.isEmpty());
    edit->setToolTip(why);
    edit->style()->unpolish(edit);
    edit->style()->polish(edit);
}

bool EntryBox::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::ShortcutOverride) {  // Esc and Enter are the box's, not a menu's
        event->accept();
        return true;
    }
    if (event->type() != QEvent::KeyPress) return QFrame::eventFilter(watched, event);
    switch (static_cast<QKeyEvent*>(event)->key()) {
        case Qt::Key_Return:
        case Qt::Key_Enter:
            emit confirmed();
            return true;
        case Qt::Key_Escape:
            emit backed();
            return true;
        case Qt::Key_Tab:
        case Qt::Key_Backtab: {
            QLineEdit* other = watched == fields_[0].edit && fields_[1].edit->isVisible() ? fields_[1].edit
                                                                                          : fields_[0].edit;
            other->setFocus();
            other->selectAll();
            return true;
        }
        default:
            return QFrame::eventFilter(watched, event);
    }
}

}  // namespace yemvo::app
