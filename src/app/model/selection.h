// SPDX-License-Identifier: GPL-3.0-or-later
// What is chosen: things on the floor in view, more on other floors beside them, and in the step Proof a
// requirement.
#pragma once
#include <QObject>
#include <functional>
#include <map>
#include <vector>

#include "base/id.h"
#include "project/item.h"

namespace yemvo {
struct Project;
}

namespace yemvo::app {

class Workspace;

class Selection : public QObject {
    Q_OBJECT
public:
    explicit Selection(Workspace&);
    const std::vector<Item>& items() const { return items_; }
    bool has(const Item&) const;
    /// Things of a group are chosen together.
    void select(std::vector<Item>);
    /// Exactly these, whatever group they are in.
    void select_alone(std::vector<Item>);
    /// What is chosen on other floors beside the selection on this one.
    const std::map<FloorId, std::vector<Item>>& elsewhere() const { return elsewhere_; }
    /// On all floors at once; the first floor of the map is shown when the present one has nothing in it.
    void select_everywhere(std::map<FloorId, std::vector<Item>>);
    /// Changes each chosen thing, on every floor, in one edit.
    void edit(const QString& label, const std::function<void(Project&, FloorId, const Item&)>& change);
    /// Removes what is selected, in one edit.
    void remove();

    /// The requirement that Details are about in the step Proof; none: its id is 0.
    RequirementId requirement() const { return requirement_; }
    void choose_requirement(RequirementId);

    /// For the workspace, which tells afterwards.
    void start();
    bool drop_what_is_gone();

signals:
    void changed();
    void requirement_chosen();

private:
    void drop_missing(std::vector<Item>&) const;
    Workspace& workspace_;
    std::vector<Item> items_;
    std::map<FloorId, std::vector<Item>> elsewhere_;
    RequirementId requirement_;
};

}  // namespace yemvo::app
