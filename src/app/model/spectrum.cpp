// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/spectrum.h"

#include <algorithm>
#include <map>

#include "app/model/document.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/model/workspace.h"
#include "capacity/site_capacity.h"
#include "render/tr.h"

namespace yemvo::app {

std::optional<std::uint32_t> SpectrumNow::find(const RadioRef& ref) const {
    for (std::uint32_t i = 0; i < air.radios.size(); ++i)
        if (air.radios[i].access_point == ref.access_point && air.radios[i].radio == ref.radio) return i;
    return std::nullopt;
}

QString SpectrumNow::name(std::uint32_t radio) const {
    const NeighbourRadio* other = air.neighbour(radio);
    if (!other) return QString::number(air.radios[radio].number);
    return other->name.empty() ? tr("hidden on %1").arg(other->primary) : QString::fromStdString(other->name);
}

Spectrum::Spectrum(Workspace& workspace) : workspace_(workspace), now_(std::make_shared<SpectrumNow>()) {
    connect(&workspace.document(), &Document::changed, this, [this] { now_.reset(); });
    connect(&workspace, &Workspace::project_changed, this, &Spectrum::changed);
    connect(&workspace.results(), &Results::changed, this, &Spectrum::forget);
    connect(&workspace.selection(), &Selection::changed, this, &Spectrum::follow_selection);
}

void Spectrum::start() {
    chosen_.clear();
    neighbour_.reset();
    forget();
}

void Spectrum::forget() {
    now_.reset();
    emit changed();
}

const std::shared_ptr<const SpectrumNow>& Spectrum::now() {
    if (now_) return now_;
    auto now = std::make_shared<SpectrumNow>();
    if (workspace_.document().is_open()) {
        const auto* hearing = workspace_.results().find<SiteHearing>();
        now->heard = hearing != nullptr;
        now->air = site_air(workspace_.project(), hearing ? *hearing : SiteHearing{},
                            workspace_.results().find<SiteCapacity>());
        now->meetings = air_meetings(now->air, workspace_.project().settings.heard_dbm);
    }
    now_ = std::move(now);
    return now_;
}

void Spectrum::want(const void* who, bool on) { workspace_.results().want<SiteHearing>(who, on); }

bool Spectrum::is_chosen(const RadioRef& ref) const { return std::ranges::count(chosen_, ref) > 0; }

std::optional<RadioRef> Spectrum::current() const {
    return chosen_.empty() ? std::nullopt : std::optional(chosen_.back());
}

void Spectrum::choose_neighbour(std::uint32_t radio) {
    const std::shared_ptr<const SpectrumNow> now = this->now();
    const NeighbourRadio* other = now->air.neighbour(radio);
    if (!other) return;
    const NeighbourRadio::Reading* best = nullptr;
    const auto here = [&](const NeighbourRadio::Reading& r) { return r.floor == workspace_.floor_id(); };
    for (const auto& r : other->readings)
        if (!best || std::pair(here(r), r.dbm) > std::pair(here(*best), best->dbm)) best = &r;
    neighbour_ = NeighbourAt{best->place, best->index};
    const FloorId floor = best->floor;
    chosen_.clear();
    choosing_ = true;
    if (floor != workspace_.floor_id()) workspace_.in_view().show_floor(floor);
    workspace_.selection().select({{ItemKind::listening_place, neighbour_->place.value}});
    choosing_ = false;
    emit chosen_changed();
}

void Spectrum::choose(std::vector<RadioRef> radios) {
    neighbour_.reset();
    std::map<FloorId, std::vector<Item>> items;
    for (const RadioRef& ref : radios)
        for (const PlacedAccessPoint& placed : placed_access_points(workspace_.project()))
            if (placed.access_point->id == ref.access_point) {
                const Item item{ItemKind::access_point, ref.access_point.value};
                auto& on_floor = items[placed.floor->id];
                if (std::ranges::count(on_floor, item) == 0) on_floor.push_back(item);
            }
    chosen_ = std::move(radios);
    choosing_ = true;
    workspace_.selection().select_everywhere(items);
    choosing_ = false;
    emit chosen_changed();
}

/// An access point that is selected on the plan has its radio in the map's band chosen.
void Spectrum::follow_selection() {
    if (choosing_) return;
    const bool had_neighbour = neighbour_.has_value();
    neighbour_.reset();
    std::vector<AccessPointId> selected;
    const auto add = [&](const std::vector<Item>& items) {
        for (const Item& i : items)
            if (i.kind == ItemKind::access_point) selected.push_back(AccessPointId{i.id});
    };
    add(workspace_.selection().items());
    for (const auto& [floor, items] : workspace_.selection().elsewhere()) add(items);
    std::vector<RadioRef> next;
    for (const RadioRef& ref : chosen_)
        if (std::ranges::count(selected, ref.access_point) > 0) next.push_back(ref);
    const BandSet shown = workspace_.shown().map().bands;
    for (AccessPointId id : selected) {
        if (std::ranges::count(next, id, &RadioRef::access_point) > 0) continue;
        std::optional<RadioRef> best;
        for (const AirRadio& r : now()->air.radios)
            if (r.access_point == id && (!best || shown.contains(r.channel.band)))
                best = RadioRef{id, r.radio};
        if (best) next.push_back(*best);
    }
    if (next == chosen_ && !had_neighbour) return;
    chosen_ = std::move(next);
    emit chosen_changed();
}

}  // namespace yemvo::app
