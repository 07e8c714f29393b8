// SPDX-License-Identifier: GPL-3.0-or-later
// Access points in the tray as the site knows them: names, what hangs and is checked, lists from others.
#pragma once
#include <QWidget>
#include <optional>

#include "app/on_site/on_site_table.h"

class QComboBox;
class QLabel;
class QPushButton;
class QSortFilterProxyModel;
class QTableView;

namespace yemvo::app {

struct Asking;
class Form;

class OnSitePage : public QWidget {
    Q_OBJECT
public:
    OnSitePage(Workspace&, Asking&, QWidget* parent = nullptr);
    QTableView& table() { return *view_; }
    QString summary() const;
    /// Asks for a table and shows what it would change.
    void read_list();
    void take_list();
    void show_names(bool on);
    void give_names();

protected:
    void showEvent(QShowEvent*) override;

private:
    QWidget* make_head();
    QWidget* make_naming();
    void refresh();
    void preview_names();
    void follow_row();
    void follow_selection();
    std::vector<AccessPointId> named_ones() const;
    void end_list();
    Workspace& workspace_;
    Asking& asking_;
    OnSiteTable* model_;
    QSortFilterProxyModel* sorted_;
    QTableView* view_;
    QWidget* naming_;
    QLabel *summary_, *names_told_;
    QPushButton *name_, *read_, *take_, *leave_, *give_;
    QComboBox* scope_ = nullptr;
    Form* form_ = nullptr;
    std::optional<ListedAccessPoints> list_;
    int list_of_ = -1;  ///< Document::opened_count when it was read
};

}  // namespace yemvo::app
