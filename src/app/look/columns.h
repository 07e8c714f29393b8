// SPDX-License-Identifier: GPL-3.0-or-later
// Columns of tables that have room for their heads.
#pragma once
#include <QHeaderView>
#include <QTableView>
#include <algorithm>

namespace yemvo::app {

/// As wide as the column was laid out, or as its head needs in the desktop's language.
inline void set_column_width(QTableView& table, int column, int usual_px) {
    table.setColumnWidth(column, std::max(usual_px, table.horizontalHeader()->sectionSizeHint(column)));
}

/// Where heads may have changed, as with the project's units: no column that was made wider becomes narrower.
inline void make_room_for_heads(QTableView& table) {
    for (int c = 0; c < table.horizontalHeader()->count(); ++c)
        set_column_width(table, c, table.columnWidth(c));
}

}  // namespace yemvo::app
