// SPDX-License-Identifier: GPL-3.0-or-later
// What pages that stand before the plan are made of.
#pragma once
#include <QGridLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QScrollArea>

class QComboBox;

namespace yemvo::app {

/// The bar over a page: its title, a few small words about it, and room at the right for buttons.
struct PageHead {
    QWidget* widget;
    QHBoxLayout* bar;
    QLabel *title, *about;
};
PageHead page_head(QWidget* page, const QString& title = {});

/// The page's head over a row that takes what is left; the page is known by `object` and takes the keyboard.
QHBoxLayout* page_body(QWidget* page, const QString& object, QWidget* head);

/// In place of what is shown there: that may be what asked for this, and goes once it is over.
void show_in(QScrollArea*, QWidget*);

/// Over rows that belong together.
QLabel* group_head(const QString& words);

/// A choice in a bar, known by what it is called.
QComboBox* add_choice(QHBoxLayout* bar, const char* object, const QString& name, const QStringList& entries);

/// A field with its label, which names it too.
void add_row(QGridLayout*, int row, const QString& words, QWidget* field);

/// At a page's side; a small window scrolls it.
QScrollArea* page_side(QWidget* page, QWidget* contents, int width_px);

}  // namespace yemvo::app
