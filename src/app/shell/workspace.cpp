#include "app/shell/workspace.h"

#include <algorithm>

#include "project/edits.h"

namespace yemvo::app {

Workspace::Workspace(Document& document, QObject* parent) : QObject(parent), document_(document) {
    connect(this, &Workspace::selection_changed, this, [this] {
        if (radios_shown_ == RadiosShown::selected) choose_radios();
    });
    connect(this, &Workspace::map_changed, this, &Workspace::look_at_probe);
    for (auto signal : {&Workspace::prediction_changed, &Workspace::floor_predicted})
        connect(this, signal, this, [this] {
            // the whole brings the floor in view again that came before it
            const FloorPrediction* p =
                probed_ && prediction_ ? prediction_->site.find(probed_->probe.floor) : nullptr;
            if (!p || p->radios != probed_->radios) look_at_probe();
        });
    // every edit is followed by a prediction; only the probe itself is followed at once
    connect(this, &Workspace::project_changed, this, [this] {
        const Probe* probe = find_probe(project(), probe_);
        if (probed_ ? !probe || !(*probe == probed_->probe) : probe != nullptr) look_at_probe();
    });
    connect(&document, &Document::opened, this, &Workspace::project_replaced);
    connect(&document, &Document::changed, this, [this] {
        drop_what_is_gone();
        emit project_changed();
    });
}

void Workspace::project_replaced() {
    const Floor* entry = entry_floor(project());
    floor_ = entry ? entry->id : FloorId{};
    drawing_ = {};
    comparison_ = {};
    ghost_ = {};
    building_ = {};
    site_shown_ = false;
    probe_ = project().probes->empty() ? 0 : project().probes->front().number;
    ticked_.clear();
    requirement_ = {};
    radios_shown_ = RadiosShown::all;
    map_.only.clear();
    map_.against = render::Against::nothing;
    selection_.clear();
    elsewhere_.clear();
    drawing_lines_ = nullptr;
    findings_ = std::make_shared<const std::vector<Finding>>();
    marked_.reset();
    prediction_ = nullptr;
    verdict_ = previous_verdict_ = std::nullopt;
    wall_kind = find_type(project(), "plasterboard");
    if (!wall_kind) wall_kind = first_type(project(), TypeUse::wall);
    door_kind = first_type(project(), TypeUse::door);
    window_kind = first_type(project(), TypeUse::window);
    model_kind = project().models->empty() ? ModelId{} : project().models->front().id;
    wall_top_m = std::nullopt;
    next = {};
    const auto known = [&](const char* key, TypeUse use) {
        const WallTypeId id = find_type(project(), key);
        return id ? id : first_type(project(), use);
    };
    next.obstacle_type = known("stack-books", TypeUse::obstacle);
    next.column_type = known("column-concrete", TypeUse::obstacle);
    next.ceiling_type = known("ceiling-mineral", TypeUse::ceiling);
    next.slab_type = known("slab-timber", TypeUse::slab);
    next.ramp_type = known("slab-concrete-300", TypeUse::slab);
    next.shaft_type = known("concrete-200", TypeUse::wall);
    emit floor_changed();
    emit site_changed();
    emit selection_changed();
    emit prediction_changed();
    emit findings_changed();
    emit kinds_changed();
}

void Workspace::drop_what_is_gone() {
    const bool elsewhere = !floor();
    if (elsewhere) {
        const auto floors = all_floors(project());
        floor_ = floors.empty() ? FloorId{} : floors.front()->id;
    }
    const Floor* f = floor();
    const auto gone = [&](const Item& item) { return !f || !exists(project(), *f, item); };
    std::size_t dropped = std::erase_if(selection_, gone);
    for (auto& [at, items] : elsewhere_) {
        const Floor* on = find_floor(project(), at);
        dropped +=
            std::erase_if(items, [&](const Item& item) { return !on || !exists(project(), *on, item); });
    }
    std::erase_if(elsewhere_, [](const auto& entry) { return entry.second.empty(); });
    // told only now: nobody may look at what was chosen on the floor that is gone
    if (elsewhere) emit floor_changed();
    if (dropped > 0) emit selection_changed();
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
    elsewhere_.clear();
    drawing_lines_ = nullptr;
    marked_.reset();
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
    std::erase_if(items, [&](const Item& item) { return !floor() || !exists(project(), *floor(), item); });
    if (floor()) items = with_groups(project(), *floor(), items);
    select_alone(std::move(items));
}

void Workspace::select_alone(std::vector<Item> items) {
    // what a refused edit would have made does not exist
    std::erase_if(items, [&](const Item& item) { return !floor() || !exists(project(), *floor(), item); });
    if (items == selection_ && elsewhere_.empty()) return;
    selection_ = std::move(items);
    elsewhere_.clear();
    emit selection_changed();
}

void Workspace::select_everywhere(std::map<FloorId, std::vector<Item>> by_floor) {
    std::erase_if(by_floor, [](const auto& entry) { return entry.second.empty(); });
    if (by_floor.empty()) return select({});
    if (!by_floor.contains(floor_)) show_floor(by_floor.begin()->first);
    selection_ = by_floor[floor_];
    by_floor.erase(floor_);
    elsewhere_ = std::move(by_floor);
    emit selection_changed();
}

void Workspace::edit_selected(const QString& label,
                              const std::function<void(Project&, FloorId, const Item&)>& change) {
    auto all = elsewhere_;
    all[floor_] = selection_;
    edit(label, [&](Project& p) {
        for (const auto& [at, items] : all)
            for (const Item& item : items)
                // an opening whose wall went before it is gone
                if (const Floor* f = find_floor(p, at); f && exists(p, *f, item)) change(p, at, item);
    });
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
    // access points are placed by what they reach: the map comes with the tool
    if (tool == ToolId::access_point && !map_shown()) {
        step_ = Step::placement;
        emit step_changed();
    }
    emit tool_changed();
}

void Workspace::set_map(const render::MapChoice& map) {
    if (map == map_) return;
    map_ = map;
    emit map_changed();
}

bool Workspace::edit(const QString& label, const std::function<void(Project&)>& change, int merge_key) {
    refusal_ = document_.edit(label, change, merge_key);
    if (refusal_.isEmpty()) return true;
    tell(refusal_, true);
    return false;
}

void Workspace::delete_selection() {
    if (selection_.empty() || !floor()) return;
    std::size_t count = selection_.size();
    for (const auto& [at, items] : elsewhere_) count += items.size();
    edit_selected(count == 1 ? tr("Delete") : tr("Delete %1 things").arg(count),
                  [](Project& p, FloorId at, const Item& item) { remove_item(p, at, item); });
}

void Workspace::set_findings(std::shared_ptr<const std::vector<Finding>> findings) {
    findings_ = std::move(findings);
    emit findings_changed();
}

std::size_t Workspace::open_findings() const {
    return static_cast<std::size_t>(
        std::count_if(findings_->begin(), findings_->end(), [](const Finding& f) { return !f.waived; }));
}

void Workspace::show_finding(const Finding& f) {
    if (f.floor && find_floor(project(), f.floor)) show_floor(f.floor);
    set_tool(ToolId::select);
    std::vector<Item> there;
    for (const Item& item : f.items)
        if (floor() && exists(project(), *floor(), item)) there.push_back(item);
    select_alone(there);
    mark_place(f.has_place ? std::optional(f.place) : std::nullopt);
}

void Workspace::mark_place(std::optional<Point> place) {
    marked_ = place;
    emit place_marked();
}

const FloorPrediction* Workspace::floor_prediction() const {
    return prediction_ ? prediction_->site.find(floor_) : nullptr;
}

const FloorPrediction* Workspace::map_prediction() const {
    if (map_.lens != LensId::outside) return floor_prediction();
    const bool known = prediction_ && prediction_->outside && prediction_->outside->floor == floor_;
    return known ? &*prediction_->outside : nullptr;
}

void Workspace::choose_probe(int number) {
    probe_ = number;
    look_at_probe();
}

void Workspace::choose_link(std::size_t index) {
    if (!probed_ || index >= probed_->links.size()) return;
    probed_->chosen = index;
    emit probe_changed();
}

/// What was predicted before floors or types came or went cannot be explained with the project as it is now.
static bool speaks_of(const Scene& scene, const Project& project) {
    const auto has_type = [&](WallTypeId id) {
        return std::any_of(project.wall_types->begin(), project.wall_types->end(),
                           [&](const WallType& t) { return t.id == id; });
    };
    return scene.floors.size() == all_floors(project).size() &&
           std::all_of(scene.floors.begin(), scene.floors.end(),
                       [&](const SceneFloor& f) { return find_floor(project, f.floor) != nullptr; }) &&
           std::all_of(scene.types.begin(), scene.types.end(), has_type);
}

/// The same radio stays chosen while the plan changes; else the strongest.
void Workspace::look_at_probe() {
    std::optional<std::pair<AccessPointId, BandId>> chosen;
    if (probed_ && probed_->probe.number == probe_ && probed_->link())
        chosen = {probed_->link()->access_point, probed_->link()->channel.band};
    const bool had = probed_.has_value();
    probed_.reset();
    const Probe* probe = document_.is_open() && probe_ ? find_probe(project(), probe_) : nullptr;
    if (!probe) probe_ = 0;
    const FloorPrediction* predicted = probe && prediction_ ? prediction_->site.find(probe->floor) : nullptr;
    const Floor* on = probe ? find_floor(project(), probe->floor) : nullptr;
    if (predicted && on && predicted->scene && speaks_of(*predicted->scene, project())) {
        ProbedPlace p{*probe, yemvo::probe(project(), *predicted->scene, *on, probe->place, map_.bands), 0,
                      predicted->scene, predicted->radios};
        for (std::size_t i = 0; chosen && i < p.links.size(); ++i)
            if (p.links[i].access_point == chosen->first && p.links[i].channel.band == chosen->second)
                p.chosen = i;
        probed_ = std::move(p);
    }
    if (had || probed_) emit probe_changed();
}

void Workspace::look_through(LensId id) {
    render::MapChoice choice = map_;
    choice.lens = id;
    choice.threshold = lens(id).limit;
    set_map(choice);
}

void Workspace::choose_grid(double grid_m) {
    edit("Change grid", [&](Project& p) { p.settings.grid_m = grid_m; });
}

void Workspace::hold_against(render::Against against, VariantId other) {
    render::MapChoice choice = map_;
    choice.against = against;
    choice.other = against == render::Against::variant ? other : VariantId{};
    set_map(choice);
}

std::shared_ptr<const Project> Workspace::held_against() const {
    if (!document_.is_open() || !map_.is_change()) return nullptr;
    if (map_.against == render::Against::last_edit) {
        const Project* before = document_.before_last_edit();
        return before ? std::make_shared<const Project>(*before) : nullptr;
    }
    const auto& variants = project().variants;
    const bool known = std::ranges::any_of(variants, [&](const Variant& v) { return v.id == map_.other; });
    if (!known || map_.other == project().variant) return nullptr;
    Project other = project();
    other.variant = map_.other;
    return std::make_shared<const Project>(std::move(other));
}

QString Workspace::other_name() const {
    if (map_.against == render::Against::last_edit) return "by the last edit";
    for (const Variant& v : project().variants)
        if (v.id == map_.other) return "against variant " + QString::fromStdString(v.name);
    return {};
}

void Workspace::look_at(const Requirement& r, BandSet shown, FloorId floor, std::optional<Point> place) {
    show_floor(floor);
    render::MapChoice choice = map_;
    if (const auto id = find_lens(r.lens)) choice.lens = *id;
    choice.bands = shown;
    choice.threshold = r.limit_in(shown.first());
    choice.against = render::Against::nothing;
    radios_shown_ = RadiosShown::all;
    choice.only.clear();
    set_map(choice);
    mark_place(place);
}

void Workspace::choose_requirement(RequirementId id) {
    if (id == requirement_) return;
    requirement_ = id;
    emit requirement_chosen();
}

void Workspace::show_radios(RadiosShown which) {
    radios_shown_ = which;
    choose_radios();
}

void Workspace::tick(AccessPointId id, bool on) {
    std::erase(ticked_, id);
    if (on) ticked_.push_back(id);
    choose_radios();
}

/// Nothing selected or ticked shows all: an empty map would say nothing.
void Workspace::choose_radios() {
    render::MapChoice choice = map_;
    std::vector<AccessPointId> ids;
    if (radios_shown_ == RadiosShown::ticked) ids = ticked_;
    if (radios_shown_ == RadiosShown::selected)
        for (const Item& item : selection_)
            if (item.kind == ItemKind::access_point) ids.push_back(AccessPointId{item.id});
    choice.only = std::move(ids);
    if (choice == map_) {
        emit map_changed();
        return;
    }
    set_map(choice);
}

void Workspace::set_prediction(std::shared_ptr<const Prediction> prediction) {
    if (prediction && !prediction->verdict) {
        take_part(*prediction);
        emit floor_predicted();
        return;
    }
    judged_so_far_.reset();
    prediction_ = std::move(prediction);
    if (prediction_) {
        const int at = document_.history().index();
        if (at != judged_at_) previous_verdict_ = verdict_;
        judged_at_ = at;
        verdict_ = prediction_->verdict;
    }
    emit prediction_changed();
}

void Workspace::set_judged_so_far(int floors, int all) {
    judged_so_far_.reset();
    if (floors < all) judged_so_far_ = {floors, all};
}

/// The floor that is ready; the others stay as they were until they are, the verdict and its places too.
void Workspace::take_part(const Prediction& part) {
    auto now = std::make_shared<Prediction>(part);
    if (prediction_) {
        now->places = prediction_->places;
        now->outside = prediction_->outside;
        for (const FloorPrediction& f : prediction_->site.floors)
            if (!now->site.find(f.floor)) now->site.floors.push_back(f);
    }
    prediction_ = std::move(now);
}

}  // namespace yemvo::app
