// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/heat_kernels.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "render/heat_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace yemvo::render::kernels::HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

template <class D>
struct Rgb {
    hn::VFromD<D> r, g, b;
};

template <class D, class V>
HWY_INLINE Rgb<D> unpacked(D d, V packed) {
    const hn::RebindToSigned<D> di;
    const auto byte = hn::Set(di, 255);
    return {hn::ConvertTo(d, hn::And(hn::ShiftRight<16>(packed), byte)),
            hn::ConvertTo(d, hn::And(hn::ShiftRight<8>(packed), byte)),
            hn::ConvertTo(d, hn::And(packed, byte))};
}
template <class D>
HWY_INLINE Rgb<D> mix(D, const Rgb<D>& a, const Rgb<D>& b, hn::VFromD<D> t) {
    return {hn::MulAdd(hn::Sub(b.r, a.r), t, a.r), hn::MulAdd(hn::Sub(b.g, a.g), t, a.g),
            hn::MulAdd(hn::Sub(b.b, a.b), t, a.b)};
}
template <class D>
HWY_INLINE hn::VFromD<D> clamp01(D d, hn::VFromD<D> v) {
    return hn::Min(hn::Max(v, hn::Zero(d)), hn::Set(d, 1.0f));
}
/// b - a * v
template <class D>
HWY_INLINE hn::VFromD<D> less(D d, float a, hn::VFromD<D> v, float b) {
    return hn::NegMulAdd(hn::Set(d, a), v, hn::Set(d, b));
}

template <class D>
HWY_INLINE void ShadeSome(D d, const AmountLook& look, const AmountRow& row, int x, int count,
                          std::uint32_t* out) {
    const hn::RebindToSigned<D> di;
    const auto set = [&](float v) HWY_ATTR { return hn::Set(d, v); };
    const auto c0 = hn::LoadU(di, row.low + x), c1 = hn::LoadU(di, row.high + x);
    const auto u = hn::LoadU(d, row.share + x);
    const auto v0 = hn::GatherIndex(d, row.value, c0), v1 = hn::GatherIndex(d, row.value, c1);
    const auto up0 = hn::GatherIndex(d, row.rise, c0), up1 = hn::GatherIndex(d, row.rise, c1);
    const auto across = hn::Sub(v1, v0), up = hn::MulAdd(hn::Sub(up1, up0), u, up0);
    const auto v = hn::MulAdd(across, u, v0);
    // change of the value over a cell, and over a pixel
    const auto rise = hn::Sqrt(hn::MulAdd(across, across, hn::Mul(up, up)));
    const auto slopes =
        hn::Not(hn::Lt(rise, set(1e-4f * look.step)));  // a plateau that lies on a limit has no line
    const auto slope = hn::Max(hn::Mul(rise, set(look.cells_per_pixel)), set(1e-4f));
    const auto pixels_per_unit = hn::Div(set(1.0f), slope);
    const auto scaled = hn::Mul(hn::Sub(v, set(look.low)), set(1 / look.step));

    const auto last = set(look.last), zero = hn::Zero(d), one = set(1.0f);
    // between which two steps, and how far
    hn::VFromD<hn::RebindToSigned<D>> below;
    hn::VFromD<D> part, off;
    if (look.smooth) {
        const auto at = hn::Min(hn::Max(hn::Sub(scaled, set(0.5f)), zero), set(look.last - 0.001f));
        below = hn::ConvertTo(di, at);
        part = hn::Sub(at, hn::ConvertTo(d, below));
        off = set(1e9f);
    } else {
        const auto nearest = hn::ConvertTo(di, hn::Min(hn::Max(hn::Add(scaled, set(0.5f)), one), last));
        const auto edge = hn::ConvertTo(d, nearest);
        below = hn::Sub(nearest, hn::Set(di, 1));
        const auto from_edge = hn::Mul(hn::Mul(hn::Sub(scaled, edge), set(look.step)), pixels_per_unit);
        off = hn::Abs(from_edge);
        const auto soft = hn::And(hn::And(hn::Lt(off, set(0.5f)), hn::Lt(slope, set(look.step))), slopes);
        const auto hard = hn::IfThenElse(hn::Lt(scaled, edge), zero, one);
        part = hn::IfThenElse(soft, hn::Add(from_edge, set(0.5f)), hard);
    }
    const auto* steps = reinterpret_cast<const std::int32_t*>(look.steps.data());
    Rgb<D> colour = mix(d, unpacked(d, hn::GatherIndex(di, steps, below)),
                        unpacked(d, hn::GatherIndex(di, steps + 1, below)), part);

    const auto steep = hn::Mul(slope, set(1 / look.step));
    const Rgb<D> contour = unpacked(d, hn::Set(di, static_cast<std::int32_t>(look.contour)));
    const Rgb<D> hatch = unpacked(d, hn::Set(di, static_cast<std::int32_t>(look.hatch)));
    const auto on_line = hn::And(hn::Lt(off, set(0.9f)), slopes);
    // lines crowd at walls, where the value jumps: they fade there
    const auto line =
        hn::Mul(hn::Mul(set(look.contour_alpha), clamp01(d, less(d, 6, steep, 2))), hn::Sub(set(0.9f), off));
    colour = mix(d, colour, contour, hn::IfThenElseZero(on_line, line));

    const auto over = hn::Sub(v, set(look.threshold));
    const auto short_by = look.more_is_better ? hn::Neg(over) : over;
    const auto cover = hn::LoadU(d, look.hatch_cover.data() + (x + row.y) % AmountLook::phases);
    colour = mix(d, colour, hatch, hn::IfThenElseZero(hn::Gt(short_by, zero), cover));
    const auto from_limit = hn::Mul(hn::Abs(short_by), pixels_per_unit);
    const auto limit =
        hn::Mul(clamp01(d, hn::Sub(set(1.25f), from_limit)), clamp01(d, less(d, 6, steep, 2.5f)));
    colour = mix(d, colour, hatch, hn::IfThenElseZero(slopes, limit));

    const auto byte = [&](hn::VFromD<D> value) HWY_ATTR {
        return hn::ConvertTo(di, hn::MulAdd(value, set(look.opacity), set(0.5f)));
    };
    const auto alpha =
        hn::Set(di, static_cast<std::int32_t>(static_cast<std::uint32_t>(255 * look.opacity + 0.5f) << 24));
    const auto packed = hn::Or(hn::Or(alpha, hn::ShiftLeft<16>(byte(colour.r))),
                               hn::Or(hn::ShiftLeft<8>(byte(colour.g)), byte(colour.b)));
    auto* to = reinterpret_cast<std::int32_t*>(out) + x;
    if (count >= static_cast<int>(hn::Lanes(d)))
        hn::StoreU(packed, di, to);
    else
        hn::BlendedStore(packed, hn::FirstN(di, static_cast<std::size_t>(count)), di, to);
}

void Shade(const AmountLook& look, const AmountRow& row, int from, int to, std::uint32_t* out) {
    const hn::ScalableTag<float> wide;
    const int lanes = static_cast<int>(hn::Lanes(wide));
    for (int x = from; x < to; x += lanes) ShadeSome(wide, look, row, x, to - x, out);
}

}  // namespace yemvo::render::kernels::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace yemvo::render::kernels {
HWY_EXPORT(Shade);

void shade(const AmountLook& look, const AmountRow& row, int from, int to, std::uint32_t* out) {
    HWY_DYNAMIC_DISPATCH(Shade)(look, row, from, to, out);
}

}  // namespace yemvo::render::kernels
#endif
