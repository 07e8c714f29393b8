// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/field_store.h"

#include <algorithm>
#include <mutex>
#include <unordered_map>

#include "antenna/gain_table.h"
#include "propagation/direct_tier.h"
#include "propagation/met_keys.h"

namespace yemvo {

FieldStore::FieldStore(const std::shared_ptr<MemoryBudget>& budget, std::shared_ptr<SceneCache> scenes,
                       std::shared_ptr<FieldTier> tier)
    : fields_(budget),
      scenes_(scenes ? std::move(scenes) : std::make_shared<SceneCache>(budget)),
      tier_(tier ? std::move(tier) : std::make_shared<DirectTier>(budget, scenes_)) {}

std::uint64_t FieldStore::key(const RadioPlace& place, const Antenna& antenna, const Turn& turn, BandId id,
                              const LossOverlay* overlay) const {
    ContentKey key;
    key.add(place.key)
        .add(antenna.gain_dbi)
        .add(turn.azimuth_deg)
        .add(turn.downtilt_deg)
        .add(turn.roll_deg)
        .add(int{id.index})
        .add(key_of(antenna.lobe))
        .add(tier_->key())
        .add(overlay ? overlay->key() : 0);
    return key.value();
}

RadioPlace FieldStore::place(const std::shared_ptr<const Scene>& scene, const Surface& surface,
                             Point3 source) {
    const Met below = met(*scene, ray_heights(surface, source));
    const std::uint64_t here = place_key(surface, source);
    RadioPlace place{scene,
                     surface,
                     source,
                     ContentKey().add(here).add(below.all).value(),
                     ContentKey().add(here).add(below.slabs).add(0x51).value(),
                     {}};
    place.silent = scenes_->silent.is_silent(place.slabs_key);
    if (place.silent == true) place.key = place.slabs_key;
    return place;
}

void FieldStore::settle(RadioPlace& place, const CancelToken& cancel) {
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
        kept->second = {slabs_met_key(scene, h),
                        ContentKey().add(solids_met_key(scene, h)).add(panels).value()};
    }
    return kept->second;
}

std::shared_ptr<const GainField> FieldStore::kept_field(const RadioPlace& place, const Antenna& antenna,
                                                        const Turn& turn, BandId id,
                                                        const LossOverlay* overlay) {
    return fields_.find(key(place, antenna, turn, id, overlay));
}

static void lay_over(GainField& field, const RadioPlace& place, BandId id, const LossOverlay& overlay) {
    if (field.silent) return;
    field.peak_cdb = silent_cdb;
    for (std::size_t i = 0; i < place.surface.cells(); ++i) {
        std::int16_t& gain_cdb = field.gain_cdb[i];
        if (gain_cdb == silent_cdb) continue;
        const double loss_db =
            overlay.loss_db(id, place.source, place.surface.receiver(place.surface.centre(i)));
        gain_cdb = centi_db(gain_cdb / 100.0 - loss_db);
        field.peak_cdb = std::max(field.peak_cdb, gain_cdb);
    }
}

std::shared_ptr<const GainField> FieldStore::field(const RadioPlace& place, const Antenna& antenna,
                                                   const Turn& turn, BandId id, const CancelToken& cancel,
                                                   const LossOverlay* overlay) {
    const std::uint64_t made_from = key(place, antenna, turn, id, overlay);
    if (auto kept = fields_.find(made_from)) return kept;
    GainField computed = tier_->field(place, antenna, turn, id, cancel);
    if (overlay) lay_over(computed, place, id, *overlay);
    computed.key = made_from;
    auto made = std::make_shared<const GainField>(std::move(computed));
    fields_.keep(made_from, made, 64 + made->gain_cdb.size() * sizeof(std::int16_t));
    return made;
}

}  // namespace yemvo
