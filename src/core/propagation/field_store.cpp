#include "propagation/field_store.h"

#include <algorithm>
#include <mutex>
#include <unordered_map>

#include "antenna/gain_table.h"

namespace yemvo {
namespace {

std::uint64_t place_key(const Surface& surface, Point3 source) {
    return ContentKey().add(surface.key()).add(source.x).add(source.y).add(source.z).value();
}

/// Slabs that such a link can meet, and what all types take.
std::uint64_t slabs_met_key(const Scene& scene, const RayHeights& h) {
    ContentKey key;
    key.add(scene.laws_key);
    for (std::size_t i = 0; i < scene.slabs.size(); ++i)
        if (scene.slabs[i].ramp || h.meets(scene.slabs[i].level_m, scene.slabs[i].level_m + 1e-9))
            key.add(scene.slab_keys[i]);
    return key.value();
}

/// Slabs and solids.
std::uint64_t other_key(const Scene& scene, const RayHeights& h) {
    ContentKey key;
    key.add(slabs_met_key(scene, h));
    for (std::size_t i = 0; i < scene.prisms.size(); ++i)
        if (h.meets(scene.prisms[i].base_m, scene.prisms[i].top_m)) key.add(scene.prism_keys[i]);
    return key.value();
}

std::vector<std::pair<std::uint64_t, std::size_t>> sorted_keys(const Scene& scene) {
    std::vector<std::pair<std::uint64_t, std::size_t>> keys;
    for (std::size_t i = 0; i < scene.panel_keys.size(); ++i) keys.emplace_back(scene.panel_keys[i], i);
    std::sort(keys.begin(), keys.end());
    return keys;
}

}  // namespace

/// What the fields were made from is needed again only where a wall or an antenna changes: it takes a part of
/// the budget, however much there is of it.
FieldStore::FieldStore(std::shared_ptr<MemoryBudget> budget, std::shared_ptr<SceneCache> scenes)
    : obstructions_(budget, budget->limit_bytes() / 8),
      deviations_(budget, budget->limit_bytes() / 8),
      fields_(budget),
      scenes_(scenes ? std::move(scenes) : std::make_shared<SceneCache>(budget)) {}

std::uint64_t FieldStore::key(const Place& place, const Antenna& antenna, const Turn& turn, BandId id) {
    ContentKey key;
    key.add(place.key)
        .add(antenna.gain_dbi)
        .add(turn.azimuth_deg)
        .add(turn.downtilt_deg)
        .add(turn.roll_deg)
        .add(int{id.index})
        .add(key_of(antenna.lobe));
    return key.value();
}

std::shared_ptr<const FieldStore::Changed> FieldStore::changed(const std::shared_ptr<const Scene>& from,
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

FieldStore::Place FieldStore::place(const std::shared_ptr<const Scene>& scene, const Surface& surface,
                                    Point3 source) {
    const Met below = met(*scene, ray_heights(surface, source));
    const std::uint64_t here = place_key(surface, source);
    Place place{scene,
                surface,
                source,
                ContentKey().add(here).add(below.all).value(),
                ContentKey().add(here).add(below.slabs).add(0x51).value(),
                {}};
    place.silent = scenes_->silent.is_silent(place.slabs_key);
    if (place.silent == true) place.key = place.slabs_key;
    return place;
}

void FieldStore::settle(Place& place, const CancelToken& cancel) {
    if (place.silent) return;
    place.silent = is_silent_by_slabs(*place.scene, place.surface, place.source, cancel);
    scenes_->silent.note(place.slabs_key, *place.silent);
    if (*place.silent) place.key = place.slabs_key;
}

/// Of everything that links between such heights can meet; most access points hang at the same few.
FieldStore::Met FieldStore::met(const Scene& scene, const RayHeights& h) {
    constexpr std::size_t most = 20000;
    const std::uint64_t asked = ContentKey().add(scene.key).add(h.low).add(h.high).value();
    const std::lock_guard lock(met_mutex_);
    if (met_.size() > most) met_.clear();
    const auto [kept, fresh] = met_.try_emplace(asked);
    if (fresh) {
        std::uint64_t panels = 0;
        for (std::size_t i = 0; i < scene.panels.size(); ++i)
            if (h.meets(scene.panels[i].base_m, scene.panels[i].top_m)) panels += scene.panel_keys[i];
        kept->second = {slabs_met_key(scene, h), ContentKey().add(other_key(scene, h)).add(panels).value()};
    }
    return kept->second;
}

/// What was traced before, when none of the changed panels' shadows reaches a cell that counts: new ones none
/// that is within the limit, old ones none at all.
std::shared_ptr<const Obstruction> FieldStore::untouched(const Place& place, const Last& last) {
    const auto kept = last.obstruction.lock();
    const std::shared_ptr<const Scene> last_scene = last.scene.lock();
    if (!kept || !last_scene) return nullptr;
    const RayHeights h = ray_heights(place.surface, place.source);
    if (other_key(*last_scene, h) != other_key(*place.scene, h)) return nullptr;
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

std::shared_ptr<const Obstruction> FieldStore::obstruction(const Place& place, const CancelToken& cancel) {
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

std::shared_ptr<const std::vector<TilePlane>> FieldStore::deviation(const Place& place,
                                                                    const CancelToken& cancel) {
    if (auto kept = deviations_.find(place.key)) return kept;
    auto made = std::make_shared<const std::vector<TilePlane>>(
        cast_deviation(*place.scene, place.surface, place.source, cancel));
    deviations_.keep(place.key, made, made->size() * made->front().bytes());
    return made;
}

std::shared_ptr<const GainField> FieldStore::kept_field(const Place& place, const Antenna& antenna,
                                                        const Turn& turn, BandId id) {
    return fields_.find(key(place, antenna, turn, id));
}

std::shared_ptr<const GainField> FieldStore::field(const Place& place, const Antenna& antenna,
                                                   const Turn& turn, BandId id, const CancelToken& cancel) {
    const std::uint64_t made_from = key(place, antenna, turn, id);
    if (auto kept = fields_.find(made_from)) return kept;
    GainField computed =
        make_gain_field(place.surface, place.source, turn, antenna, id, *obstruction(place, cancel));
    computed.key = made_from;
    auto made = std::make_shared<const GainField>(std::move(computed));
    fields_.keep(made_from, made, 64 + made->gain_cdb.size() * sizeof(std::int16_t));
    return made;
}

}  // namespace yemvo
