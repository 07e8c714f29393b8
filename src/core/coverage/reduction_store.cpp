// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/reduction_store.h"

#include <optional>

namespace yemvo {
namespace {

std::uint64_t bytes(const Reduction& r) { return 4 * r.serving.size() * sizeof(std::int16_t); }

}  // namespace

/// The serving radio is told by its place in the list, so that belongs to what a part is.
std::vector<ReductionStore::Part> ReductionStore::parts(std::span<const RadioField> fields, BandId band) {
    std::vector<Part> list;
    for (std::size_t k = 0; k < fields.size();) {
        const AccessPointId id = fields[k].access_point;
        ContentKey key;
        for (; k < fields.size() && fields[k].access_point == id; ++k) {
            const RadioField& f = fields[k];
            if (f.band != band || f.field->silent) continue;
            key.add(static_cast<std::uint64_t>(k)).add(f.field->key).add(f.offset_cdb);
        }
        list.push_back({id, key.value()});
    }
    return list;
}

/// The only access point in which a list differs from the last one of the place.
std::optional<std::size_t> ReductionStore::only_change(std::uint64_t place, const std::vector<Part>& now) {
    constexpr std::size_t most_places = 1000;
    const std::lock_guard lock(mutex_);
    if (last_.size() > most_places) last_.clear();
    std::vector<Part> before = std::exchange(last_[place], now);
    if (before.size() != now.size()) return std::nullopt;
    std::optional<std::size_t> changed;
    for (std::size_t i = 0; i < now.size(); ++i) {
        if (before[i].access_point != now[i].access_point) return std::nullopt;
        if (before[i].key == now[i].key) continue;
        if (changed) return std::nullopt;
        changed = i;
    }
    return changed;
}

std::shared_ptr<const Reduction> ReductionStore::without(std::span<const RadioField> fields, BandId band,
                                                         const Surface& surface, const std::vector<Part>& all,
                                                         std::size_t left_out) {
    ContentKey key;
    key.add(int{band.index}).add(surface.key());
    for (std::size_t i = 0; i < all.size(); ++i)
        if (i != left_out) key.add(static_cast<std::uint64_t>(i)).add(all[i].key);
    if (auto kept = without_one_.find(key.value())) return kept;
    auto made = std::make_shared<const Reduction>(
        reduce_without(fields, band, surface.cells(), all[left_out].access_point));
    ++whole_;
    without_one_.keep(key.value(), made, bytes(*made));
    return made;
}

std::shared_ptr<const Reduction> ReductionStore::of(std::span<const RadioField> fields, BandId band,
                                                    const Surface& surface) {
    const std::vector<Part> now = parts(fields, band);
    const std::uint64_t place = ContentKey().add(int{band.index}).add(surface.key()).value();
    ContentKey key;
    key.add(place);
    for (const Part& p : now) key.add(p.key);
    const auto changed = only_change(place, now);
    if (auto kept = whole_reductions_.find(key.value())) return kept;
    Reduction made;
    if (changed) {
        made = *without(fields, band, surface, now, *changed);
        join(made, fields, band, now[*changed].access_point);
    } else {
        made = reduce(fields, band, surface.cells());
        ++whole_;
    }
    auto shared = std::make_shared<const Reduction>(std::move(made));
    whole_reductions_.keep(key.value(), shared, bytes(*shared));
    return shared;
}

}  // namespace yemvo
