// SPDX-License-Identifier: GPL-3.0-or-later
// Rates of a standard by width and scheme, and the way back: from a rate seen on a device to how it sends.
#pragma once
#include <QWidget>

class QComboBox;
class QLabel;
class QLineEdit;
class QTableWidget;

namespace yemvo::app {

class RatesPanel : public QWidget {
    Q_OBJECT
public:
    explicit RatesPanel(QWidget* parent = nullptr);
    const QTableWidget& table() const { return *table_; }
    /// How a device sends that shows the rate in the field.
    QString answer() const;

private:
    void fill_choices();
    void fill();
    void look_back();
    QComboBox *standard_, *streams_, *guard_;
    QTableWidget* table_;
    QLineEdit* seen_;
    QLabel* answer_;
};

}  // namespace yemvo::app
