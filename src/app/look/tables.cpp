// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/look/tables.h"

#include "app/look/columns.h"

namespace yemvo::app {

QTableView* plain_table(QAbstractItemModel* model, const QString& object, const QString& name,
                        std::initializer_list<int> widths) {
    auto* view = new QTableView;
    view->setObjectName(object);
    view->setAccessibleName(name);
    view->setModel(model);
    view->setSelectionBehavior(QAbstractItemView::SelectRows);
    view->setSelectionMode(QAbstractItemView::SingleSelection);
    view->setShowGrid(false);
    view->setFrameShape(QFrame::NoFrame);
    view->verticalHeader()->hide();
    view->verticalHeader()->setDefaultSectionSize(22);
    view->horizontalHeader()->setHighlightSections(false);
    int column = 0;
    for (const int px : widths) set_column_width(*view, column++, px);
    return view;
}

}  // namespace yemvo::app
