// SPDX-License-Identifier: GPL-3.0-or-later
// On the air: a packet capture read without any plan. Table, board and rules are one selection.
#pragma once
#include <QSortFilterProxyModel>
#include <QWidget>
#include <map>
#include <memory>

#include "app/behind/behind.h"
#include "app/model/workspace.h"
#include "capture/air_audit.h"

class QButtonGroup;
class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;
class QTableView;

namespace yemvo::app {

struct Asking;
class AirBoard;
class HeardTable;
class RuleList;

/// Rows whose words hold what is typed, of one band or all.
class HeardFilter : public QSortFilterProxyModel {
public:
    using QSortFilterProxyModel::QSortFilterProxyModel;
    void show_band(int band);  ///< -1: all
    void show_words(const QString&);

protected:
    bool filterAcceptsRow(int row, const QModelIndex& parent) const override;
    bool lessThan(const QModelIndex&, const QModelIndex&) const override;

private:
    int band_ = -1;
    QString words_;
};

class OnAirPage : public QWidget {
    Q_OBJECT
public:
    OnAirPage(Workspace&, Asking&, QWidget* parent = nullptr);
    ~OnAirPage() override;
    void open(const QString& file);
    const Behind& behind() const { return behind_; }
    void stop() { behind_.stop(); }
    QTableView* table() { return view_; }
    HeardTable& heard() { return *model_; }
    AirBoard& board() { return *board_; }
    RuleList& rules() { return *rules_; }
    const std::shared_ptr<const HeardAir>& air() const { return air_; }
    QString summary() const;
    std::optional<std::size_t> chosen() const;

signals:
    void left();
    void progressed();

protected:
    void keyPressEvent(QKeyEvent*) override;
    void paintEvent(QPaintEvent*) override;

private:
    QWidget* build_head();
    QWidget* build_filter();
    void ask_for_file();
    void put_on_plan();
    void accept_rule();
    void show_rule(int row);
    QString place_of_notes() const;
    std::map<QString, QString> notes() const;
    void show_air(const QString& file, std::shared_ptr<const HeardAir>);
    void hold_to_rules();
    void choose(std::optional<std::size_t> network);
    void export_table();
    void refresh();
    Workspace& workspace_;
    Asking& asking_;
    Behind behind_;
    QString file_;
    std::shared_ptr<const HeardAir> air_;
    QLabel *title_, *summary_, *empty_, *rules_title_, *beside_;
    QComboBox* country_;
    QLineEdit* words_;
    QButtonGroup* bands_;
    QPushButton *put_, *export_, *open_, *accept_;
    QLineEdit* note_;
    QTableView* view_;
    HeardTable* model_;
    HeardFilter* filter_;
    AirBoard* board_;
    RuleList* rules_;
    bool choosing_ = false;
};

}  // namespace yemvo::app
