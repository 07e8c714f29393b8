// SPDX-License-Identifier: GPL-3.0-or-later
#include "coverage/lens_kernels.h"

#include <algorithm>
#include <limits>

#include "propagation/gain_field.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "coverage/lens_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace yemvo::kernels::HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

using Wide = hn::ScalableTag<float>;
using One = hn::CappedTag<float, 1>;

/// The body for whole registers, then for what is left one by one: planes need no padding.
template <class Body>
HWY_INLINE void over(std::size_t count, const Body& body) {
    const std::size_t lanes = hn::Lanes(Wide());
    std::size_t i = 0;
    for (; i + lanes <= count; i += lanes) body(Wide(), i);
    for (; i < count; ++i) body(One(), i);
}

template <class D>
HWY_INLINE hn::VFromD<hn::RebindToSigned<D>> whole(D, const std::int16_t* from) {
    return hn::PromoteTo(hn::RebindToSigned<D>(), hn::LoadU(hn::Rebind<std::int16_t, D>(), from));
}
template <class D>
HWY_INLINE hn::VFromD<D> real(D d, const std::int16_t* from) {
    return hn::ConvertTo(d, whole(d, from));
}
template <class D>
HWY_INLINE hn::VFromD<D> served(D d, const std::int16_t* serving, const float* by_server) {
    return hn::GatherIndex(d, by_server + 1, whole(d, serving));
}
template <class D>
HWY_INLINE auto heard(D d, const std::int16_t* gain, std::int16_t least) {
    const hn::RebindToSigned<D> di;
    return hn::RebindMask(d, hn::Not(hn::Lt(whole(d, gain), hn::Set(di, std::int32_t{least}))));
}

void Decibels(const std::int16_t* level, std::size_t cells, float* out) {
    over(cells, [&](auto d, std::size_t i) HWY_ATTR {
        const auto v = real(d, level + i);
        const auto none = hn::Eq(v, hn::Set(d, static_cast<float>(silent_cdb)));
        const auto nan = hn::Set(d, std::numeric_limits<float>::quiet_NaN());
        hn::StoreU(hn::IfThenElse(none, nan, hn::Div(v, hn::Set(d, 100.0f))), d, out + i);
    });
}

void OfServing(const std::int16_t* serving, const float* by_server, std::size_t cells, float* out) {
    over(cells,
         [&](auto d, std::size_t i) HWY_ATTR { hn::StoreU(served(d, serving + i, by_server), d, out + i); });
}

void AboveFloor(const std::int16_t* level, const std::int16_t* serving, const float* floor, std::size_t cells,
                float* out) {
    over(cells, [&](auto d, std::size_t i) HWY_ATTR {
        const auto above = hn::Sub(real(d, level + i), served(d, serving + i, floor));
        hn::StoreU(hn::Div(above, hn::Set(d, 100.0f)), d, out + i);
    });
}

void LostWithout(const std::int16_t* level, const std::int16_t* left, const std::int16_t* serving,
                 const float* floor, std::size_t cells, float* out) {
    over(cells, [&](auto d, std::size_t i) HWY_ATTR {
        const auto v = real(d, level + i), rest = real(d, left + i), none = served(d, serving + i, floor);
        const auto kept = hn::IfThenElse(hn::Gt(rest, none), rest, none);
        // the other way round would turn NaN, where nobody serves, into 0
        const auto lost = hn::Sub(v, kept), zero = hn::Zero(d);
        hn::StoreU(hn::Div(hn::IfThenElse(hn::Lt(lost, zero), zero, lost), hn::Set(d, 100.0f)), d, out + i);
    });
}

void AddHeard(const std::int16_t* gain, std::int16_t least, std::size_t cells, float* out) {
    over(cells, [&](auto d, std::size_t i) HWY_ATTR {
        const auto one = hn::IfThenElseZero(heard(d, gain + i, least), hn::Set(d, 1.0f));
        hn::StoreU(hn::Add(hn::LoadU(d, out + i), one), d, out + i);
    });
}

void AddRival(const std::int16_t* gain, std::int16_t least, std::int16_t itself, const std::int16_t* serving,
              const float* weight, std::size_t cells, float* out) {
    const auto some = [&](auto d, std::size_t i) HWY_ATTR {
        const hn::RebindToSigned<decltype(d)> di;
        const auto server = whole(d, serving + i);
        const auto own = hn::RebindMask(d, hn::Eq(server, hn::Set(di, std::int32_t{itself})));
        const auto by = hn::IfThenElseZero(hn::AndNot(own, heard(d, gain + i, least)),
                                           hn::GatherIndex(d, weight + 1, server));
        hn::StoreU(hn::Add(hn::LoadU(d, out + i), by), d, out + i);
    };
    // most radios are heard in a small part of a floor
    const hn::ScalableTag<std::int16_t> narrow;
    const std::size_t step = std::max(hn::Lanes(narrow), hn::Lanes(Wide()));
    std::size_t i = 0;
    for (; i + step <= cells; i += step) {
        if (hn::AllTrue(narrow, hn::Lt(hn::LoadU(narrow, gain + i), hn::Set(narrow, least)))) continue;
        for (std::size_t k = i; k < i + step; k += hn::Lanes(Wide())) some(Wide(), k);
    }
    for (; i < cells; ++i) some(One(), i);
}

void MarginsOf(const float* values, const std::uint32_t* cells, std::size_t count, const Limit& l,
               float* out) {
    const float sign = l.more_is_better ? 1 : -1;
    over(count, [&](auto d, std::size_t i) HWY_ATTR {
        const hn::RebindToSigned<decltype(d)> di;
        const auto at = hn::LoadU(di, reinterpret_cast<const std::int32_t*>(cells) + i);
        const auto there = hn::GatherIndex(d, values, at);
        const auto v = hn::IfThenElse(hn::Eq(there, there), there, hn::Set(d, l.nothing));
        hn::StoreU(hn::Mul(hn::Sub(v, hn::Set(d, l.limit)), hn::Set(d, sign)), d, out + i);
    });
}

std::size_t Kept(const float* margins, std::size_t count) {
    std::size_t sum = 0;
    over(count, [&](auto d, std::size_t i)
                    HWY_ATTR { sum += hn::CountTrue(d, hn::Ge(hn::LoadU(d, margins + i), hn::Zero(d))); });
    return sum;
}

void MarkMissed(const float* margins, std::size_t count, std::uint8_t bit, std::uint8_t* bits) {
    over(count, [&](auto d, std::size_t i) HWY_ATTR {
        const hn::RebindToSigned<decltype(d)> di;
        const hn::Rebind<std::uint8_t, decltype(d)> db;
        const auto missed = hn::RebindMask(di, hn::Lt(hn::LoadU(d, margins + i), hn::Zero(d)));
        const auto marked = hn::DemoteTo(db, hn::IfThenElseZero(missed, hn::Set(di, std::int32_t{bit})));
        hn::StoreU(hn::Or(hn::LoadU(db, bits + i), marked), db, bits + i);
    });
}

std::size_t FirstOf(const float* values, std::size_t count, float value) {
    const Wide d;
    const std::size_t lanes = hn::Lanes(d);
    std::size_t i = 0;
    for (; i + lanes <= count; i += lanes)
        if (const auto at = hn::FindFirstTrue(d, hn::Eq(hn::LoadU(d, values + i), hn::Set(d, value)));
            at >= 0)
            return i + static_cast<std::size_t>(at);
    while (i < count && values[i] != value) ++i;
    return i;
}

float Least(const float* values, std::size_t count) {
    const Wide d;
    auto least = hn::Set(d, values[0]);
    float rest = values[0];
    over(count, [&](auto here, std::size_t i) HWY_ATTR {
        if constexpr (std::is_same_v<decltype(here), Wide>)
            least = hn::Min(least, hn::LoadU(here, values + i));
        else
            rest = std::min(rest, values[i]);
    });
    return std::min(rest, hn::GetLane(hn::MinOfLanes(d, least)));
}

}  // namespace yemvo::kernels::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace yemvo::kernels {

HWY_EXPORT(Decibels);
HWY_EXPORT(OfServing);
HWY_EXPORT(AboveFloor);
HWY_EXPORT(LostWithout);
HWY_EXPORT(AddHeard);
HWY_EXPORT(AddRival);
HWY_EXPORT(MarginsOf);
HWY_EXPORT(Kept);
HWY_EXPORT(MarkMissed);
HWY_EXPORT(Least);
HWY_EXPORT(FirstOf);

void decibels(const std::int16_t* level_cdbm, std::size_t cells, float* out) {
    HWY_DYNAMIC_DISPATCH(Decibels)(level_cdbm, cells, out);
}
void of_serving(const std::int16_t* serving, const float* by_server, std::size_t cells, float* out) {
    HWY_DYNAMIC_DISPATCH(OfServing)(serving, by_server, cells, out);
}
void above_floor(const std::int16_t* level_cdbm, const std::int16_t* serving, const float* floor_cdbm,
                 std::size_t cells, float* out) {
    HWY_DYNAMIC_DISPATCH(AboveFloor)(level_cdbm, serving, floor_cdbm, cells, out);
}
void lost_without(const std::int16_t* level_cdbm, const std::int16_t* left_cdbm, const std::int16_t* serving,
                  const float* floor_cdbm, std::size_t cells, float* out) {
    HWY_DYNAMIC_DISPATCH(LostWithout)(level_cdbm, left_cdbm, serving, floor_cdbm, cells, out);
}
void add_heard(const std::int16_t* gain_cdb, std::int16_t least_cdb, std::size_t cells, float* out) {
    HWY_DYNAMIC_DISPATCH(AddHeard)(gain_cdb, least_cdb, cells, out);
}
void add_rival(const std::int16_t* gain_cdb, std::int16_t least_cdb, std::int16_t itself,
               const std::int16_t* serving, const float* weight_by_server, std::size_t cells, float* out) {
    HWY_DYNAMIC_DISPATCH(AddRival)(gain_cdb, least_cdb, itself, serving, weight_by_server, cells, out);
}
void margins(const float* values, const std::uint32_t* cells, std::size_t count, const Limit& limit,
             float* out) {
    HWY_DYNAMIC_DISPATCH(MarginsOf)(values, cells, count, limit, out);
}
std::size_t kept(const float* margins, std::size_t count) {
    return HWY_DYNAMIC_DISPATCH(Kept)(margins, count);
}
void mark_missed(const float* margins, std::size_t count, std::uint8_t bit, std::uint8_t* bits) {
    HWY_DYNAMIC_DISPATCH(MarkMissed)(margins, count, bit, bits);
}
std::size_t first_of(const float* values, std::size_t count, float value) {
    return HWY_DYNAMIC_DISPATCH(FirstOf)(values, count, value);
}
float least(const float* values, std::size_t count) { return HWY_DYNAMIC_DISPATCH(Least)(values, count); }

}  // namespace yemvo::kernels
#endif
