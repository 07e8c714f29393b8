// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/direct_tier.h"

#include <algorithm>

#include "propagation/met_keys.h"
#include "propagation/ray_heights.h"

namespace yemvo {

static std::vector<std::pair<std::uint64_t, std::size_t>> sorted_keys(const Scene& scene) {
    std::vector<std::pair<std::uint64_t, std::size_t>> keys;
    for (std::size_t i = 0; i < scene.panel_keys.size(); ++i) keys.emplace_back(scene.panel_keys[i], i);
    std::sort(keys.begin(), keys.end());
    return keys;
}

/// What fields are made from is needed again only where a wall or an antenna changes: it takes a part of the
/// budget, however much there is of it.
DirectTier::DirectTier(const std::shared_ptr<MemoryBudget>& budget, std::shared_ptr<SceneCache> scenes)
    : obstructions_(budget, budget->limit_bytes() / 8),
      deviations_(budget, budget->limit_bytes() / 8),
      scenes_(std::move(scenes)) {}

std::shared_ptr<const DirectTier::Changed> DirectTier::changed(const std::shared_ptr<const Scene>& from,
                                                               const std::shared_ptr<const Scene>& to) {
    {
        const std::lock_guard lock(mutex_);
        if (changed_ && changed_->from == from && changed_->to == to) return changed_;
    }
    auto made = std::make_shared<Changed>();
    made->from = from;
    made->to = to;
    const auto old_keys = sorted_keys(*from), new_keys = sorted_keys(*to);
    auto a = old_keys.begin(), b = new_keys.begin();
    while (a != old_keys.end() || b != new_keys.end()) {
        if (b == new_keys.end() || (a != old_keys.end() && a->first < b->first))
            made->removed.push_back(from->panels[(a++)->second]);
        else if (a == old_keys.end() || b->first < a->first)
            made->added.push_back(to->panels[(b++)->second]);
        else
            ++a, ++b;
    }
    const std::lock_guard lock(mutex_);
    changed_ = made;
    return made;
}

/// What was traced before, when none of the changed panels' shadows reaches a cell that counts: new ones none
/// that is within the limit, old ones none at all.
std::shared_ptr<const Obstruction> DirectTier::untouched(const RadioPlace& place, const Last& last) {
    const auto kept = last.obstruction.lock();
    const std::shared_ptr<const Scene> last_scene = last.scene.lock();
    if (!kept || !last_scene) return nullptr;
    const RayHeights h = ray_heights(place.surface, place.source);
    if (solids_met_key(*last_scene, h) != solids_met_key(*place.scene, h)) return nullptr;
    constexpr std::size_t many = 64;
    const auto change = changed(last_scene, place.scene);
    if (change->removed.size() + change->added.size() > many) return nullptr;
    const Point3 from = engine_source(*place.scene, place.source);
    if (!(from == engine_source(*last_scene, place.source))) return nullptr;
    for (const ScenePanel& panel : change->removed)
        if (can_touch(place.surface, from, panel, nullptr)) return nullptr;
    for (const ScenePanel& panel : change->added)
        if (can_touch(place.surface, from, panel, kept.get())) return nullptr;
    return kept;
}

std::shared_ptr<const Obstruction> DirectTier::obstruction(const RadioPlace& place,
                                                           const CancelToken& cancel) {
    auto made = obstructions_.find(place.key);
    if (made) return made;
    if (place.silent == true) {
        made = std::make_shared<const Obstruction>(nothing_arrives(place.surface));
        obstructions_.keep(place.key, made, made->bytes());
        return made;
    }
    const std::uint64_t here = place_key(place.surface, place.source);
    Last last;
    {
        const std::lock_guard lock(mutex_);
        if (const auto found = last_.find(here); found != last_.end()) last = found->second;
    }
    made = untouched(place, last);
    if (!made) {
        Obstruction traced = cast_shadows(*place.scene, place.surface, place.source, cancel);
        if (traced.silent()) traced.by_band = {};  // its cells say nothing
        scenes_->silent.note(place.slabs_key, traced.by_slabs);
        made = std::make_shared<const Obstruction>(std::move(traced));
        ++traced_;
    }
    obstructions_.keep(place.key, made, made->bytes());
    constexpr std::size_t most_places = 20000;
    const std::lock_guard lock(mutex_);
    if (last_.size() > most_places) last_.clear();
    last_[here] = {place.scene, made};
    return made;
}

std::shared_ptr<const std::vector<TilePlane>> DirectTier::deviation(const RadioPlace& place,
                                                                    const CancelToken& cancel) {
    if (auto kept = deviations_.find(place.key)) return kept;
    auto made = std::make_shared<const std::vector<TilePlane>>(
        cast_deviation(*place.scene, place.surface, place.source, cancel));
    deviations_.keep(place.key, made, made->size() * made->front().bytes());
    return made;
}

GainField DirectTier::field(const RadioPlace& place, const Antenna& antenna, const Turn& turn, BandId id,
                            const CancelToken& cancel) {
    return make_gain_field(place.surface, place.source, turn, antenna, id, *obstruction(place, cancel));
}

LinkExplanation DirectTier::explain(const Project& project, const Scene& scene, const Floor& floor,
                                    const AccessPoint& ap, std::size_t radio, Point3 receiver) const {
    return yemvo::explain(project, scene, floor, ap, radio, receiver);
}

}  // namespace yemvo
