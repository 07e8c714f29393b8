#include "app/shell/workspace.h"

#include <algorithm>

#include "project/edits.h"

namespace yemvo::app {

bool exists(const Project& project, const Floor& floor, const Item& item) {
    switch (item.kind) {
        case Item::Kind::wall:
            return find_wall(floor, WallId{item.id}) != nullptr;
        case Item::Kind::opening: {
            const Wall* wall = find_wall(floor, WallId{item.wall});
            return wall && find_opening(*wall, OpeningId{item.id});
        }
        case Item::Kind::zone:
            return find_zone(floor, ZoneId{item.id}) != nullptr;
        case Item::Kind::slab_void:
            return find_void(floor, VoidId{item.id}) != nullptr;
        case Item::Kind::access_point:
            break;
    }
    return find_access_point(project, floor.id, AccessPointId{item.id}) != nullptr;
}

Workspace::Workspace(Document& document, QObject* parent) : QObject(parent), document_(document) {
    connect(&document, &Document::opened, this, &Workspace::project_replaced);
    connect(&document, &Document::changed, this, [this] {
        drop_what_is_gone();
        emit project_changed();
    });
}

void Workspace::project_replaced() {
    const auto floors = all_floors(project());
    floor_ = floors.empty() ? FloorId{} : floors.front()->id;
    drawing_ = {};
    comparison_ = {};
    ghost_ = {};
    building_ = {};
    site_shown_ = false;
    selection_.clear();
    prediction_ = nullptr;
    verdict_ = previous_verdict_ = std::nullopt;
    wall_kind = find_type(project(), "plasterboard");
    if (!wall_kind) wall_kind = first_type(project(), TypeUse::wall);
    door_kind = first_type(project(), TypeUse::door);
    window_kind = first_type(project(), TypeUse::window);
    model_kind = project().models->empty() ? ModelId{} : project().models->front().id;
    wall_top_m = std::nullopt;
    emit floor_changed();
    emit site_changed();
    emit selection_changed();
    emit prediction_changed();
    emit kinds_changed();
}

void Workspace::drop_what_is_gone() {
    if (!floor()) {
        const auto floors = all_floors(project());
        floor_ = floors.empty() ? FloorId{} : floors.front()->id;
        emit floor_changed();
    }
    const Floor* f = floor();
    const auto gone = [&](const Item& item) { return !f || !exists(project(), *f, item); };
    if (std::erase_if(selection_, gone) > 0) emit selection_changed();
}

bool Workspace::is_selected(const Item& item) const {
    return std::find(selection_.begin(), selection_.end(), item) != selection_.end();
}

void Workspace::show_floor(FloorId id) {
    if (!find_floor(project(), id)) return;
    show_site(false);
    if (id == floor_) return;
    floor_ = id;
    building_ = building_with(project(), id).id;
    comparison_ = {};
    selection_.clear();
    emit floor_changed();
    emit selection_changed();
}

const Drawing* Workspace::drawing() const {
    const Floor* f = floor();
    if (!f || f->drawings->empty()) return nullptr;
    if (const Drawing* chosen = find_drawing(*f, drawing_)) return chosen;
    for (const Drawing& d : *f->drawings)
        if (d.shown && !d.to_scale()) return &d;
    return &f->drawings->back();
}

void Workspace::choose_drawing(DrawingId id) {
    if (id == drawing_) return;
    drawing_ = id;
    emit drawing_changed();
}

void Workspace::compare(const Comparison& c) {
    if (c == comparison_) return;
    comparison_ = c;
    emit drawing_changed();
}

void Workspace::show_ghost(FloorId id) {
    if (id == ghost_) return;
    ghost_ = id;
    emit drawing_changed();
}

void Workspace::show_site(bool on) {
    if (on == site_shown_) return;
    site_shown_ = on;
    if (on) {
        set_tool(ToolId::select);
        select({});
    }
    emit site_changed();
}

const Building* Workspace::building() const {
    if (!document_.is_open()) return nullptr;
    if (const Building* b = find_building(project(), building_)) return b;
    return floor() ? &building_with(project(), floor_) : nullptr;
}

void Workspace::choose_building(BuildingId id) {
    if (id == building_) return;
    building_ = id;
    emit site_changed();
}

void Workspace::select(std::vector<Item> items) {
    if (items == selection_) return;
    selection_ = std::move(items);
    emit selection_changed();
}

void Workspace::set_step(Step step) {
    if (step == step_) return;
    step_ = step;
    set_tool(ToolId::select);
    emit step_changed();
}

void Workspace::set_tool(ToolId tool) {
    if (tool == tool_) return;
    tool_ = tool;
    emit tool_changed();
}

void Workspace::set_map(const render::MapChoice& map) {
    if (map == map_) return;
    map_ = map;
    emit map_changed();
}

void Workspace::edit(const QString& label, const std::function<void(Project&)>& change, int merge_key) {
    document_.edit(label, change, merge_key);
}

void Workspace::delete_selection() {
    if (selection_.empty() || !floor()) return;
    const auto items = selection_;
    const FloorId at = floor_;
    const QString label = items.size() == 1 ? tr("Delete") : tr("Delete %1 things").arg(items.size());
    edit(label, [&](Project& p) {
        for (const Item& item : items) {
            if (!exists(p, *find_floor(p, at), item)) continue;  // an opening whose wall went before it
            switch (item.kind) {
                case Item::Kind::wall:
                    remove_wall(p, at, WallId{item.id});
                    break;
                case Item::Kind::opening:
                    remove_opening(p, at, WallId{item.wall}, OpeningId{item.id});
                    break;
                case Item::Kind::zone:
                    remove_zone(p, at, ZoneId{item.id});
                    break;
                case Item::Kind::slab_void:
                    remove_void(p, at, VoidId{item.id});
                    break;
                case Item::Kind::access_point:
                    remove_access_point(p, at, AccessPointId{item.id});
                    break;
            }
        }
    });
}

const FloorPrediction* Workspace::floor_prediction() const {
    return prediction_ ? prediction_->site.find(floor_) : nullptr;
}

void Workspace::set_prediction(std::shared_ptr<const Prediction> prediction) {
    prediction_ = std::move(prediction);
    if (prediction_ && prediction_->verdict) {
        const int at = document_.history().index();
        if (at != judged_at_) previous_verdict_ = verdict_;
        judged_at_ = at;
        verdict_ = prediction_->verdict;
    }
    emit prediction_changed();
}

}  // namespace yemvo::app
