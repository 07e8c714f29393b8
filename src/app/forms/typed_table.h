// SPDX-License-Identifier: GPL-3.0-or-later
// Small tables of numbers and words that are typed into a form.
#pragma once
#include <QStringList>

class QTableWidget;

namespace yemvo::app {

/// A table that can be typed in, row by row chosen.
QTableWidget* typed_table(const QStringList& heads, const QString& object);
/// As high as its rows, within reason.
void fit_rows(QTableWidget*);
/// Words from a cell as a number; throws Error that names the column and the row.
double cell_number(const QTableWidget*, int row, int column, double low, double high);

}  // namespace yemvo::app
