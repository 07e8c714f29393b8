// SPDX-License-Identifier: GPL-3.0-or-later
// Tables as the tray has them: rows that are chosen whole, without a grid.
#pragma once
#include <QTableView>
#include <initializer_list>

namespace yemvo::app {

/// `widths`: of the columns in pixels; a column is wider where its head needs it.
QTableView* plain_table(QAbstractItemModel*, const QString& object, const QString& name,
                        std::initializer_list<int> widths);

}  // namespace yemvo::app
