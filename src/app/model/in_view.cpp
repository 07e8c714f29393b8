// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/in_view.h"

#include "app/model/document.h"
#include "project/project.h"

namespace yemvo::app {

InView::InView(Document& document) : document_(document) {}

const Floor* InView::floor() const {
    return document_.is_open() ? find_floor(document_.project(), floor_) : nullptr;
}

void InView::start() {
    const Floor* entry = entry_floor(document_.project());
    floor_ = entry ? entry->id : FloorId{};
    building_ = {};
    site_shown_ = false;
    marked_.reset();
}

bool InView::find_another_floor() {
    if (floor()) return false;
    const auto floors = all_floors(document_.project());
    floor_ = floors.empty() ? FloorId{} : floors.front()->id;
    return true;
}

void InView::show_floor(FloorId id) {
    if (!find_floor(document_.project(), id)) return;
    show_site(false);
    if (id == floor_) return;
    floor_ = id;
    building_ = building_with(document_.project(), id).id;
    marked_.reset();
    emit floor_left();
    emit floor_changed();
}

void InView::show_site(bool on) {
    if (on == site_shown_) return;
    site_shown_ = on;
    emit site_changed();
}

const Building* InView::building() const {
    if (!document_.is_open()) return nullptr;
    if (const Building* b = find_building(document_.project(), building_)) return b;
    return floor() ? &building_with(document_.project(), floor_) : nullptr;
}

void InView::choose_building(BuildingId id) {
    if (id == building_) return;
    building_ = id;
    emit site_changed();
}

void InView::mark_place(std::optional<Point> place) {
    marked_ = place;
    emit place_marked();
}

}  // namespace yemvo::app
