// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/maps_in_step/figures_table.h"

#include <QHeaderView>

#include "app/look/theme.h"
#include "render/text_style.h"

namespace yemvo::app {

FiguresTable::FiguresTable(QWidget* parent) : QTableWidget(parent) {
    setEditTriggers(QAbstractItemView::NoEditTriggers);
    setTabKeyNavigation(false);
    verticalHeader()->setDefaultSectionSize(21);
    verticalHeader()->setMinimumSectionSize(20);
    verticalHeader()->setFixedWidth(240);
    horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    setFrameShape(QFrame::NoFrame);
}

void FiguresTable::show_figures(const QStringList& columns, const std::vector<FiguresRow>& rows, int wide) {
    constexpr int narrow_px = 92;
    setRowCount(static_cast<int>(rows.size()));
    setColumnCount(static_cast<int>(columns.size()));
    setHorizontalHeaderLabels(columns);
    for (int c = 0; c < columnCount(); ++c) {
        horizontalHeaderItem(c)->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
        horizontalHeaderItem(c)->setToolTip(columns[c]);
        horizontalHeader()->setSectionResizeMode(c, c < wide ? QHeaderView::Stretch : QHeaderView::Fixed);
        if (c >= wide) setColumnWidth(c, narrow_px);
    }
    QStringList names;
    for (const FiguresRow& row : rows) names << row.name;
    setVerticalHeaderLabels(names);
    for (int r = 0; r < rowCount(); ++r) {
        verticalHeaderItem(r)->setToolTip(names[r]);
        const auto& cells = rows[static_cast<std::size_t>(r)].cells;
        for (int c = 0; c < columnCount() && c < static_cast<int>(cells.size()); ++c) {
            const FiguresCell& cell = cells[static_cast<std::size_t>(c)];
            auto* item = new QTableWidgetItem(cell.text);
            item->setFont(render::font(12, cell.strong ? 650 : 400));
            item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
            if (cell.fails) item->setForeground(theme().not_met);
            setItem(r, c, item);
        }
    }
}

QString FiguresTable::as_text() const {
    QString text;
    for (int c = 0; c < columnCount(); ++c) text += "\t" + horizontalHeaderItem(c)->text();
    text += "\n";
    for (int r = 0; r < rowCount(); ++r) {
        text += verticalHeaderItem(r)->text();
        for (int c = 0; c < columnCount(); ++c) text += "\t" + (item(r, c) ? item(r, c)->text() : QString());
        text += "\n";
    }
    return text;
}

}  // namespace yemvo::app
