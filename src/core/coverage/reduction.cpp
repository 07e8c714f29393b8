// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/reduction.h"

#include <algorithm>

#ifndef YEMVO_RADIO_LEVEL  // this file is read once an instruction set
#define YEMVO_RADIO_LEVEL
namespace yemvo {
/// A radio's level is its field and an offset.
struct RadioLevel {
    const std::int16_t* gain_cdb;
    std::int16_t offset_cdb, index;
};
}  // namespace yemvo
#endif

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "coverage/reduction.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace yemvo::HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

using D = hn::ScalableTag<std::int16_t>;
using V = hn::Vec<D>;

/// Level of a radio: nothing stays nothing whatever its power.
inline V level(V gain, V offset) {
    const D d;
    const V silent = hn::Set(d, silent_cdb);
    return hn::IfThenElse(hn::Eq(gain, silent), silent, hn::SaturatedAdd(gain, offset));
}

/// The strongest of an access point's radios joins the three strongest; on a tie the earlier radio serves.
void Merge(const RadioLevel* radios, std::size_t count, std::size_t from, std::size_t to, Reduction& r) {
    const D d;
    const std::size_t lanes = hn::Lanes(d);
    for (std::size_t i = from; i < to; i += lanes) {
        V v = level(hn::LoadU(d, radios[0].gain_cdb + i), hn::Set(d, radios[0].offset_cdb));
        V which = hn::Set(d, radios[0].index);
        for (std::size_t k = 1; k < count; ++k) {
            const V other = level(hn::LoadU(d, radios[k].gain_cdb + i), hn::Set(d, radios[k].offset_cdb));
            which = hn::IfThenElse(hn::Gt(other, v), hn::Set(d, radios[k].index), which);
            v = hn::Max(v, other);
        }
        std::int16_t *best = r.best_cdbm.data() + i, *next = r.next_cdbm.data() + i,
                     *third = r.third_cdbm.data() + i, *serving = r.serving.data() + i;
        const V b = hn::LoadU(d, best), n = hn::LoadU(d, next), server = hn::LoadU(d, serving);
        const V after = hn::Min(v, b), last = hn::Min(after, n);
        // nobody's index is below all others: where nothing is heard, nobody goes on serving
        const auto wins = hn::Or(hn::Gt(v, b), hn::And(hn::Eq(v, b), hn::Lt(which, server)));
        hn::StoreU(hn::IfThenElse(wins, which, server), d, serving);
        hn::StoreU(hn::Max(v, b), d, best);
        hn::StoreU(hn::Max(after, n), d, next);
        hn::StoreU(hn::Max(last, hn::LoadU(d, third)), d, third);
    }
}

}  // namespace yemvo::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace yemvo {

HWY_EXPORT(Merge);

namespace {

/// The radios that are heard at all, an entry an access point.
template <class Counts>
std::vector<std::vector<RadioLevel>> levels(std::span<const RadioField> fields, BandSet bands,
                                            const Counts& counts) {
    std::vector<std::vector<RadioLevel>> all;
    for (std::size_t k = 0; k < fields.size();) {
        const AccessPointId id = fields[k].access_point;
        const bool counted = counts(id);
        std::vector<RadioLevel> own;
        for (; k < fields.size() && fields[k].access_point == id; ++k) {
            const RadioField& f = fields[k];
            if (counted && bands.contains(f.band) && !f.field->silent)
                own.push_back({f.field->gain_cdb.data(), static_cast<std::int16_t>(f.offset_cdb),
                               static_cast<std::int16_t>(k)});
        }
        if (!own.empty()) all.push_back(std::move(own));
    }
    return all;
}

void merge(Reduction& r, const std::vector<std::vector<RadioLevel>>& access_points) {
    // the four planes of so many cells stay in the nearest cache while the fields go by
    constexpr std::size_t block = 4096;
    for (std::size_t from = 0; from < r.serving.size(); from += block)
        for (const auto& radios : access_points) HWY_DYNAMIC_DISPATCH(Merge)
    (radios.data(), radios.size(), from, std::min(from + block, r.serving.size()), r);
}

Reduction nothing(std::size_t cells) {
    Reduction r;
    for (auto* plane : {&r.best_cdbm, &r.next_cdbm, &r.third_cdbm}) plane->assign(padded(cells), silent_cdb);
    r.serving.assign(padded(cells), -1);
    return r;
}

}  // namespace

Reduction reduce(std::span<const RadioField> fields, BandSet bands, std::size_t cells,
                 const std::vector<AccessPointId>& only) {
    Reduction r = nothing(cells);
    merge(r, levels(fields, bands, [&](AccessPointId id) {
              return only.empty() || std::find(only.begin(), only.end(), id) != only.end();
          }));
    return r;
}

Reduction reduce_without(std::span<const RadioField> fields, BandSet bands, std::size_t cells,
                         AccessPointId left_out) {
    Reduction r = nothing(cells);
    merge(r, levels(fields, bands, [&](AccessPointId id) { return id != left_out; }));
    return r;
}

void join(Reduction& r, std::span<const RadioField> fields, BandSet bands, AccessPointId joining) {
    merge(r, levels(fields, bands, [&](AccessPointId id) { return id == joining; }));
}

}  // namespace yemvo
#endif
