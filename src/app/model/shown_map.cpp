// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/shown_map.h"

#include <algorithm>

#include "app/model/document.h"
#include "app/model/selection.h"
#include "render/tr.h"

namespace yemvo::app {

ShownMap::ShownMap(Document& document, Selection& selection) : document_(document), selection_(selection) {
    connect(&selection, &Selection::changed, this, [this] {
        if (radios_ == RadiosShown::selected) choose_radios();
    });
}

void ShownMap::start() {
    ticked_.clear();
    radios_ = RadiosShown::all;
    map_.only.clear();
    map_.against = render::Against::nothing;
    map_.other_itself = false;
    proposal_.reset();
    proposal_air_.reset();
}

void ShownMap::show_all_radios(render::MapChoice choice) {
    radios_ = RadiosShown::all;
    choice.only.clear();
    set(choice);
}

void ShownMap::set(const render::MapChoice& wanted) {
    const render::MapChoice map =
        document_.is_open() ? render::coloured(wanted, document_.project()) : wanted;
    if (map == map_) return;
    map_ = map;
    emit changed();
}

void ShownMap::look_through(LensId id) {
    render::MapChoice choice = map_;
    choice.lens = id;
    choice.threshold = lens(id).limit;
    set(choice);
}

void ShownMap::hold_against(render::Against against, VariantId other) {
    render::MapChoice choice = map_;
    choice.against = against;
    choice.other_itself = false;
    choice.other = against == render::Against::variant ? other : VariantId{};
    set(choice);
}

std::shared_ptr<const Project> ShownMap::held_against() const {
    if (!document_.is_open() || !map_.needs_other()) return nullptr;
    if (map_.against == render::Against::proposal) return proposal_;
    if (map_.against == render::Against::last_edit) {
        const Project* before = document_.before_last_edit();
        return before ? std::make_shared<const Project>(*before) : nullptr;
    }
    const Project& project = document_.project();
    const bool known =
        std::ranges::any_of(project.variants, [&](const Variant& v) { return v.id == map_.other; });
    if (!known || map_.other == project.variant) return nullptr;
    Project other = project;
    other.variant = map_.other;
    return std::make_shared<const Project>(std::move(other));
}

void ShownMap::set_proposal(std::shared_ptr<const Project> proposal, std::shared_ptr<const AirFigures> air) {
    const bool is_first = proposal && !proposal_;
    proposal_ = std::move(proposal);
    proposal_air_ = std::move(air);
    if (is_first) return show_proposal(true);
    if (proposal_) {
        emit changed();  // the same choice is of another plan now
        return;
    }
    if (map_.against != render::Against::proposal) return;
    render::MapChoice choice = map_;
    choice.against = render::Against::nothing;
    choice.other_itself = false;
    set(choice);
}

const std::shared_ptr<const AirFigures>& ShownMap::air_held_against() const {
    static const std::shared_ptr<const AirFigures> none;
    return map_.against == render::Against::proposal ? proposal_air_ : none;
}

void ShownMap::show_proposal(bool itself) {
    render::MapChoice choice = map_;
    choice.against = proposal_ ? render::Against::proposal : render::Against::nothing;
    choice.other_itself = proposal_ && itself;
    choice.other = {};
    set(choice);
}

QString ShownMap::other_name() const {
    if (!map_.needs_other()) return {};
    if (map_.against == render::Against::proposal)
        return map_.other_itself ? tr("proposed") : tr("by the proposal");
    if (map_.against == render::Against::last_edit) return tr("by the last edit");
    for (const Variant& v : document_.project().variants)
        if (v.id == map_.other) return tr("against variant %1").arg(QString::fromStdString(v.name));
    return {};
}

void ShownMap::show_radios(RadiosShown which) {
    radios_ = which;
    choose_radios();
}

void ShownMap::tick(AccessPointId id, bool on) {
    std::erase(ticked_, id);
    if (on) ticked_.push_back(id);
    choose_radios();
}

/// Nothing selected or ticked shows all: an empty map would say nothing.
void ShownMap::choose_radios() {
    render::MapChoice choice = map_;
    std::vector<AccessPointId> ids;
    if (radios_ == RadiosShown::ticked) ids = ticked_;
    if (radios_ == RadiosShown::selected)
        for (const Item& item : selection_.items())
            if (item.kind == ItemKind::access_point) ids.push_back(AccessPointId{item.id});
    choice.only = std::move(ids);
    if (choice == map_) {
        emit changed();
        return;
    }
    set(choice);
}

void ShownMap::show_clients(bool on) {
    if (clients_ == on) return;
    clients_ = on;
    emit changed();
}

void ShownMap::tint_demand_by(render::DemandTint tint) {
    if (demand_tint_ == tint) return;
    demand_tint_ = tint;
    emit changed();
}

}  // namespace yemvo::app
