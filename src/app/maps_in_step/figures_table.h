// SPDX-License-Identifier: GPL-3.0-or-later
// Figures of what stands side by side: a row a figure, a column each.
#pragma once
#include <QTableWidget>
#include <vector>

namespace yemvo::app {

struct FiguresCell {
    QString text;
    bool strong = false;
    bool fails = false;  ///< short of what is required
};
struct FiguresRow {
    QString name;
    std::vector<FiguresCell> cells;
};

class FiguresTable : public QTableWidget {
    Q_OBJECT
public:
    explicit FiguresTable(QWidget* parent = nullptr);
    /// The first `wide` columns share the room, the others are narrow.
    void show_figures(const QStringList& columns, const std::vector<FiguresRow>&, int wide);
    /// For a spreadsheet.
    QString as_text() const;
};

}  // namespace yemvo::app
