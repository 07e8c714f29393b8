#include "coverage/reduction.h"

#include <algorithm>

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

/// The strongest of one access point's radios, and which it is.
void TakeBetter(const std::int16_t* gain, std::int16_t offset, std::int16_t index, std::int16_t* best,
                std::int16_t* which, std::size_t cells) {
    const D d;
    const std::size_t lanes = hn::Lanes(d);
    for (std::size_t i = 0; i < cells; i += lanes) {
        const V value = level(hn::LoadU(d, gain + i), hn::Set(d, offset)), kept = hn::LoadU(d, best + i);
        const auto better = hn::Gt(value, kept);
        hn::StoreU(hn::IfThenElse(better, value, kept), d, best + i);
        hn::StoreU(hn::IfThenElse(better, hn::Set(d, index), hn::LoadU(d, which + i)), d, which + i);
    }
}

/// Another access point joins the three strongest; on a tie the earlier one serves.
void Merge(const std::int16_t* value, const std::int16_t* which, std::int16_t* best, std::int16_t* next,
           std::int16_t* third, std::int16_t* serving, std::size_t cells) {
    const D d;
    const std::size_t lanes = hn::Lanes(d);
    for (std::size_t i = 0; i < cells; i += lanes) {
        const V v = hn::LoadU(d, value + i), b = hn::LoadU(d, best + i), n = hn::LoadU(d, next + i);
        const V after = hn::Min(v, b), last = hn::Min(after, n);
        hn::StoreU(hn::IfThenElse(hn::Gt(v, b), hn::LoadU(d, which + i), hn::LoadU(d, serving + i)), d,
                   serving + i);
        hn::StoreU(hn::Max(v, b), d, best + i);
        hn::StoreU(hn::Max(after, n), d, next + i);
        hn::StoreU(hn::Max(last, hn::LoadU(d, third + i)), d, third + i);
    }
}

}  // namespace yemvo::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace yemvo {

HWY_EXPORT(TakeBetter);
HWY_EXPORT(Merge);

Reduction reduce(std::span<const RadioField> fields, BandSet bands, std::size_t cells,
                 const std::vector<AccessPointId>& only) {
    const std::size_t room = padded(cells);
    Reduction r;
    for (auto* plane : {&r.best_cdbm, &r.next_cdbm, &r.third_cdbm}) plane->assign(room, silent_cdb);
    r.serving.assign(room, -1);
    std::vector<std::int16_t> own(room), which(room);
    for (std::size_t k = 0; k < fields.size();) {
        const AccessPointId id = fields[k].access_point;
        const bool counts = only.empty() || std::find(only.begin(), only.end(), id) != only.end();
        bool heard = false;
        for (; k < fields.size() && fields[k].access_point == id; ++k) {
            const RadioField& f = fields[k];
            if (!counts || !bands.contains(f.band) || f.field->silent) continue;
            if (!heard) {
                std::fill(own.begin(), own.end(), silent_cdb);
                std::fill(which.begin(), which.end(), std::int16_t{-1});
            }
            heard = true;
            HWY_DYNAMIC_DISPATCH(TakeBetter)
            (f.field->gain_cdb.data(), static_cast<std::int16_t>(f.offset_cdb), static_cast<std::int16_t>(k),
             own.data(), which.data(), cells);
        }
        if (!heard) continue;
        HWY_DYNAMIC_DISPATCH(Merge)
        (own.data(), which.data(), r.best_cdbm.data(), r.next_cdbm.data(), r.third_cdbm.data(),
         r.serving.data(), cells);
    }
    for (auto* plane : {&r.best_cdbm, &r.next_cdbm, &r.third_cdbm, &r.serving}) plane->resize(cells);
    return r;
}

}  // namespace yemvo
#endif
