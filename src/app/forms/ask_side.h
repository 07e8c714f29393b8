// SPDX-License-Identifier: GPL-3.0-or-later
// The side of a tray page on which something is asked for: small labels, choices, ticks, radios by band.
#pragma once
#include <QGridLayout>
#include <QStringList>
#include <vector>

class QCheckBox;
class QComboBox;
class QHBoxLayout;

namespace yemvo::app {

/// Rows are added one under the other; objects are known by the names given.
class AskSide {
public:
    AskSide(QWidget* parent, int width_px);
    QWidget* widget() const { return side_; }
    QGridLayout* grid() const { return grid_; }
    /// Of the row that comes next.
    void label(const QString& words);
    int next_row() { return row_++; }
    int last_row() const { return row_ - 1; }
    QComboBox* choice(const QString& words, const char* object, const QStringList& names, int now);
    QCheckBox* tick(const QString& words, const char* object, const QString& tip);
    /// A tick a band, all on; named `object` and the band's index.
    struct Bands {
        std::vector<QCheckBox*> boxes;
        QHBoxLayout* row;
    };
    Bands bands(const char* object);

private:
    QWidget* side_;
    QGridLayout* grid_;
    int row_ = 0;
};

}  // namespace yemvo::app
