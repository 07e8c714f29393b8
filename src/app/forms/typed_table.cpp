// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/forms/typed_table.h"

#include <QHeaderView>
#include <QTableWidget>
#include <algorithm>

#include "app/forms/form.h"
#include "base/error.h"

namespace yemvo::app {

double cell_number(const QTableWidget* table, int row, int column, double low, double high) {
    const QTableWidgetItem* item = table->item(row, column);
    const QString name = table->horizontalHeaderItem(column)->text();
    try {
        return parse_number(item ? item->text() : QString(), low, high, {});
    } catch (const Error& fault) {
        throw Error(say("%1, row %2: %3", name.toStdString(), row + 1, fault.told()));
    }
}

void fit_rows(QTableWidget* t) { t->setFixedHeight(32 + 24 * std::clamp(t->rowCount(), 1, 8)); }

QTableWidget* typed_table(const QStringList& heads, const QString& object) {
    auto* t = new QTableWidget(0, static_cast<int>(heads.size()));
    t->setObjectName(object);
    t->setHorizontalHeaderLabels(heads);
    t->verticalHeader()->hide();
    t->verticalHeader()->setDefaultSectionSize(24);
    t->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    t->setSelectionBehavior(QAbstractItemView::SelectRows);
    t->setSelectionMode(QAbstractItemView::SingleSelection);
    t->setFrameShape(QFrame::NoFrame);
    return t;
}

}  // namespace yemvo::app
