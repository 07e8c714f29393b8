// SPDX-License-Identifier: GPL-3.0-or-later
// Cables in the tray: every run with its length, port and watts; closets and what they hold; where further
// closets would reach the rest; how cables are counted.
#pragma once
#include <QWidget>

#include "app/behind/behind.h"
#include "app/cables/cable_tables.h"
#include "cabling/closet_places.h"

class QLabel;
class QPushButton;
class QSortFilterProxyModel;
class QStackedWidget;
class QTableView;

namespace yemvo::app {

class Form;

class CablesPage : public QWidget {
    Q_OBJECT
public:
    explicit CablesPage(Workspace&, QWidget* parent = nullptr);
    ~CablesPage() override;
    /// Of the project as it is, or was a moment ago; null while nothing has been worked out.
    const std::shared_ptr<const PlannedCables>& planned() const { return planned_; }
    const std::vector<ClosetPlace>& proposed() const { return places_.places; }
    bool is_working() const { return !behind_.is_idle() || !searching_.is_idle(); }
    QString doing() const { return searching_.words(); }
    void stop() { searching_.stop(); }
    QTableView& runs() { return *runs_view_; }
    QTableView& closets() { return *closets_view_; }
    QString summary() const;
    /// Where further closets would reach what is out of reach.
    void propose();
    /// Puts the proposed closets on their floors, as one edit.
    void place_proposed();

signals:
    void changed();  ///< what is to be drawn on the plan
    void progressed();

protected:
    void showEvent(QShowEvent*) override;
    void hideEvent(QHideEvent*) override;

private:
    QWidget* make_head();
    QWidget* make_side();
    void ask();
    void refresh();
    void follow_row();
    void follow_selection();
    QString proposed_words() const;
    Workspace& workspace_;
    Behind behind_, searching_;
    std::shared_ptr<const PlannedCables> planned_;
    ClosetPlaces places_;
    bool asked_places_ = false;
    CableTable* runs_;
    ClosetTable* closets_;
    QSortFilterProxyModel* sorted_;
    QLabel *summary_, *proposed_;
    QPushButton *propose_, *place_, *counting_;
    QStackedWidget* side_;
    QTableView *runs_view_, *closets_view_;
    Form* form_;
};

}  // namespace yemvo::app
