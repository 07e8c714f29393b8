// SPDX-License-Identifier: GPL-3.0-or-later
// The menus: their sections in order, and the commands that features put into them.
#pragma once
#include <map>
#include <vector>

#include "app/offer/shell.h"

class QMenu;
class QMenuBar;

namespace yemvo::app {

class Menus {
public:
    /// `runs_for`: owns the actions. `may_run`: whether what needs a project may run now.
    Menus(QMenuBar&, QWidget& runs_for);
    /// Throws std::logic_error for a section that is not in the list, or an id that is taken.
    QAction* add(const char* section, const Command&);
    QMenu* add_menu(const char* section, const QString& title);
    QAction* add_to(QMenu*, const Command&);
    /// Null when there is none.
    QAction* find(const QString& id) const;
    /// Of all that need a project, and those that need its work in front too.
    void enable(bool project, bool work);
    QMenuBar& bar() { return bar_; }

private:
    QAction* make(QMenu* menu, const Command&);
    struct Section {
        QMenu* menu;
        QAction* end;  ///< what is added comes before it
    };
    const Section& section(const char* name) const;
    QMenuBar& bar_;
    QWidget& window_;
    std::map<QString, Section> sections_;
    std::map<QString, QAction*> by_id_;
    std::vector<QAction*> need_project_, need_work_;
};

}  // namespace yemvo::app
