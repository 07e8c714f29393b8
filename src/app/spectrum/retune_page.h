// SPDX-License-Identifier: GPL-3.0-or-later
// Retuning in the tray: what may change, the plan that is found with its bound, and its changes, taken singly
// or whole.
#pragma once
#include <QAbstractTableModel>
#include <QWidget>
#include <map>
#include <memory>
#include <optional>
#include <vector>

#include "app/behind/behind.h"
#include "tuning/what_if.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;
class QTableView;

namespace yemvo::app {

class Workspace;

class RetuneTable : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { radio, floor, from, to, gain, column_count };
    explicit RetuneTable(Workspace&, QObject* parent = nullptr);
    int rowCount(const QModelIndex& = {}) const override { return static_cast<int>(changes_.size()); }
    int columnCount(const QModelIndex& = {}) const override { return column_count; }
    QVariant data(const QModelIndex&, int role) const override;
    bool setData(const QModelIndex&, const QVariant&, int role) override;
    Qt::ItemFlags flags(const QModelIndex&) const override;
    QVariant headerData(int section, Qt::Orientation, int role) const override;
    void show(std::vector<RetuneChange>);
    const std::vector<RetuneChange>& changes() const { return changes_; }
    std::vector<RetuneChange> ticked() const;

signals:
    void ticked_changed();

private:
    Workspace& workspace_;
    std::vector<RetuneChange> changes_;
    std::vector<char> ticked_;
};

class RetunePage : public QWidget {
    Q_OBJECT
public:
    explicit RetunePage(Workspace&, QWidget* parent = nullptr);
    ~RetunePage() override;
    bool is_working() const { return waiting_ || !behind_.is_idle(); }
    RetuneTable& changes() { return *table_; }
    const std::optional<RetuneResult>& result() const { return result_; }
    /// What is said over the changes, and the line below.
    QString summary() const;
    void begin();
    QString doing() const;
    void stop();

signals:
    void progressed();

private:
    QWidget* build_ask();
    QWidget* build_answer();
    RetuneAsk ask() const;
    std::optional<WhatIf> happening() const;
    void tell_what_happens();
    void show_result(const RetuneResult&, bool whole);
    void take(bool as_variant);
    void refresh_buttons();
    void want_room();
    void showEvent(QShowEvent*) override;
    void hideEvent(QHideEvent*) override;
    void drop_if_old();
    Workspace& workspace_;
    Behind behind_;
    bool waiting_ = false;  ///< begun before all that it takes was known
    std::vector<QCheckBox*> bands_;
    QCheckBox *widths_, *powers_, *off_, *selected_only_;
    QComboBox *dfs_, *channels_24_, *worth_, *as_if_, *radar_;
    QLabel* radar_label_;
    std::map<BandId, QComboBox*> widest_;
    std::map<BandId, QLineEdit*> leave_out_;
    QPushButton *begin_, *take_, *variant_;
    QLabel *summary_, *detail_;
    QTableView* view_;
    RetuneTable* table_;
    std::optional<RetuneResult> result_;
    struct Happened {
        WhatIf what;
        WhatIfResult result;
    };
    std::optional<Happened> happened_;  ///< the result answers it
};

}  // namespace yemvo::app
