// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/selection.h"

#include <algorithm>

#include "app/model/in_view.h"
#include "app/model/workspace.h"
#include "project/edits.h"
#include "project/items.h"
#include "render/tr.h"

namespace yemvo::app {

Selection::Selection(Workspace& workspace) : workspace_(workspace) {
    InView& in_view = workspace.in_view();
    connect(&in_view, &InView::floor_left, this, [this] {
        items_.clear();
        elsewhere_.clear();
        emit changed();
    });
    connect(&in_view, &InView::site_changed, this, [this, &in_view] {
        if (in_view.site_shown()) select({});
    });
}

void Selection::start() {
    items_.clear();
    elsewhere_.clear();
    requirement_ = {};
}

void Selection::drop_missing(std::vector<Item>& items) const {
    const Floor* f = workspace_.floor();
    std::erase_if(items, [&](const Item& item) { return !f || !exists(workspace_.project(), *f, item); });
}

bool Selection::drop_what_is_gone() {
    const std::size_t before = items_.size();
    drop_missing(items_);
    std::size_t dropped = before - items_.size();
    for (auto& [at, items] : elsewhere_) {
        const Floor* on = find_floor(workspace_.project(), at);
        dropped += std::erase_if(
            items, [&](const Item& item) { return !on || !exists(workspace_.project(), *on, item); });
    }
    std::erase_if(elsewhere_, [](const auto& entry) { return entry.second.empty(); });
    return dropped > 0;
}

bool Selection::has(const Item& item) const { return std::ranges::find(items_, item) != items_.end(); }

void Selection::select(std::vector<Item> items) {
    drop_missing(items);
    if (const Floor* f = workspace_.floor()) items = with_groups(workspace_.project(), *f, items);
    select_alone(std::move(items));
}

void Selection::select_alone(std::vector<Item> items) {
    drop_missing(items);  // what a refused edit would have made does not exist
    if (items == items_ && elsewhere_.empty()) return;
    items_ = std::move(items);
    elsewhere_.clear();
    emit changed();
}

void Selection::select_everywhere(std::map<FloorId, std::vector<Item>> by_floor) {
    std::erase_if(by_floor, [](const auto& entry) { return entry.second.empty(); });
    if (by_floor.empty()) return select({});
    if (!by_floor.contains(workspace_.floor_id())) workspace_.in_view().show_floor(by_floor.begin()->first);
    items_ = by_floor[workspace_.floor_id()];
    by_floor.erase(workspace_.floor_id());
    elsewhere_ = std::move(by_floor);
    emit changed();
}

void Selection::edit(const QString& label,
                     const std::function<void(Project&, FloorId, const Item&)>& change) {
    auto all = elsewhere_;
    all[workspace_.floor_id()] = items_;
    workspace_.edit(label, [&](Project& p) {
        for (const auto& [at, items] : all)
            for (const Item& item : items)
                // an opening whose wall went before it is gone
                if (const Floor* f = find_floor(p, at); f && exists(p, *f, item)) change(p, at, item);
    });
}

void Selection::remove() {
    if (items_.empty() || !workspace_.floor()) return;
    std::size_t count = items_.size();
    for (const auto& [at, items] : elsewhere_) count += items.size();
    edit(count == 1 ? tr("Delete") : counted("Delete %n thing", "Delete %n things", count),
         [](Project& p, FloorId at, const Item& item) { remove_item(p, at, item); });
}

void Selection::choose_requirement(RequirementId id) {
    if (id == requirement_) return;
    requirement_ = id;
    emit requirement_chosen();
}

}  // namespace yemvo::app
