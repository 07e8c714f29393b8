// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/forms/page_parts.h"

#include <QComboBox>

namespace yemvo::app {

PageHead page_head(QWidget* page, const QString& title) {
    auto* widget = new QWidget(page);
    widget->setFixedHeight(44);
    PageHead head{widget, new QHBoxLayout(widget), new QLabel(title), new QLabel};
    head.bar->setContentsMargins(14, 0, 12, 0);
    head.title->setStyleSheet("font-size: 16px; font-weight: 650;");
    head.about->setObjectName("small");
    head.bar->addWidget(head.title);
    head.bar->addWidget(head.about);
    head.bar->addStretch(1);
    return head;
}

QHBoxLayout* page_body(QWidget* page, const QString& object, QWidget* head) {
    page->setObjectName(object);
    page->setFocusPolicy(Qt::StrongFocus);
    auto* column = new QVBoxLayout(page);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(head);
    auto* row = new QHBoxLayout;
    row->setSpacing(1);
    column->addLayout(row, 1);
    return row;
}

void show_in(QScrollArea* area, QWidget* shown) {
    if (QWidget* old = area->takeWidget()) {
        old->hide();
        old->setParent(nullptr);
        old->deleteLater();
    }
    if (!shown) return;
    shown->setAutoFillBackground(true);
    area->setWidget(shown);
}

QLabel* group_head(const QString& words) {
    auto* head = new QLabel(words);
    head->setObjectName("head");
    return head;
}

QComboBox* add_choice(QHBoxLayout* bar, const char* object, const QString& name, const QStringList& entries) {
    auto* combo = new QComboBox;
    combo->setObjectName(object);
    combo->setAccessibleName(name);
    combo->addItems(entries);
    bar->addWidget(combo);
    return combo;
}

void add_row(QGridLayout* grid, int row, const QString& words, QWidget* field) {
    auto* label = new QLabel(words);
    label->setBuddy(field);
    field->setAccessibleName(words);
    grid->addWidget(label, row, 0);
    grid->addWidget(field, row, 1);
}

QScrollArea* page_side(QWidget* page, QWidget* contents, int width_px) {
    auto* scroll = new QScrollArea(page);
    scroll->setWidget(contents);
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setFixedWidth(width_px);
    return scroll;
}

}  // namespace yemvo::app
