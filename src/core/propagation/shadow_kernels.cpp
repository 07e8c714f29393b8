// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/shadow_kernels.h"

#include <algorithm>
#include <type_traits>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "propagation/shadow_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>
// after highway.h
#include <hwy/contrib/math/math-inl.h>

HWY_BEFORE_NAMESPACE();
namespace yemvo::shadow::HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

using D = hn::CappedTag<float, tile_cells>;
using I = hn::Rebind<std::int32_t, D>;
using V = hn::Vec<D>;
using Wide = hn::CappedTag<double, 8>;
constexpr std::int32_t no_column = 1 << 30;

/// Column and row of each cell within its tile.
alignas(64) constexpr float column_in_tile[tile_cells] = {0, 1, 2, 3, 0, 1, 2, 3, 0, 1, 2, 3, 0, 1, 2, 3};
alignas(64) constexpr float row_in_tile[tile_cells] = {0, 0, 0, 0, 1, 1, 1, 1, 2, 2, 2, 2, 3, 3, 3, 3};

/// A linear function over the tiles of a row: at the cells of part `at` of tile `t`, start[part] + step t.
struct TileLinear {
    V start, step;
    TileLinear(const Linear& f, int first_row, std::size_t at) {
        const D d;
        const V base = hn::Set(d, static_cast<float>(f.c0 + f.cy * first_row));
        const V x = hn::Set(d, static_cast<float>(f.cx)), y = hn::Set(d, static_cast<float>(f.cy));
        start = hn::MulAdd(y, hn::Load(d, row_in_tile + at),
                           hn::MulAdd(x, hn::Load(d, column_in_tile + at), base));
        step = hn::Set(d, static_cast<float>(f.cx * tile_side));
    }
    HWY_INLINE V at(float tile) const { return hn::MulAdd(step, hn::Set(D(), tile), start); }
};

/// Where the cells lie on the pieces of a type's laws.
struct Place {
    hn::Vec<I> piece;
    V v;
};

struct Places {
    V place0, place1, place2, last;
    explicit Places(const AngleLaw& law) {
        const D d;
        place0 = hn::Set(d, law.place[0]);
        place1 = hn::Set(d, law.place[1]);
        place2 = hn::Set(d, law.place[2]);
        last = hn::Set(d, static_cast<float>(law.pieces - 1));
    }
    HWY_INLINE Place of(V cosine) const {
        const D d;
        const I di;
        const V u = hn::Clamp(cosine, hn::Set(d, AngleLaw::least_u), hn::Set(d, 1.0f));
        const V at = hn::MulAdd(u, hn::MulAdd(u, place2, place1), place0);
        Place out;
        out.piece = hn::ConvertTo(di, hn::Clamp(at, hn::Zero(d), last));
        out.v = hn::Sub(hn::Sub(at, hn::ConvertTo(d, out.piece)), hn::Set(d, 0.5f));
        return out;
    }
};

/// One band's law, held in registers: all pieces in one, or in two where they are half as wide.
template <bool fine>
struct Law {
    const AngleLaw* law;
    explicit Law(const AngleLaw& l) : law(&l) {}
    HWY_INLINE V loss_db(const Place& at) const {
        const auto of = [&](std::size_t k) { return look_up(law->c[k].data(), at.piece); };
        return hn::MulAdd(at.v, hn::MulAdd(at.v, hn::MulAdd(at.v, of(3), of(2)), of(1)), of(0));
    }
    static HWY_INLINE V look_up(const float* row, hn::Vec<I> piece) {
        const D d;
#if HWY_TARGET <= HWY_AVX3
        return hn::TableLookupLanes(hn::LoadU(d, row), hn::IndicesFromVec(d, piece));
#elif HWY_TARGET == HWY_AVX2
        // the table look-up reads the lowest three bits alone
        const auto index = hn::IndicesFromVec(d, fine ? hn::And(piece, hn::Set(I(), 7)) : piece);
        const V low = hn::TableLookupLanes(hn::LoadU(d, row), index);
        if (!fine) return low;
        const V high = hn::TableLookupLanes(hn::LoadU(d, row + 8), index);
        return hn::IfThenElse(hn::RebindMask(d, hn::Gt(piece, hn::Set(I(), 7))), high, low);
#else
        return hn::GatherIndex(d, row, piece);
#endif
    }
};

/// Columns of the 16 rows of a block, and the tiles they lie in. An empty row has low > high.
struct RowSpans {
    alignas(64) std::int32_t low[block_rows], high[block_rows];

    /// Tiles of a row of tiles that still count.
    HWY_INLINE void tiles(const Block& block, int tile_row, int& from, int& to) const {
        const std::int32_t *l = low + tile_row * tile_side, *h = high + tile_row * tile_side;
        const std::int32_t least = std::min(std::min(l[0], l[1]), std::min(l[2], l[3]));
        const std::int32_t most = std::max(std::max(h[0], h[1]), std::max(h[2], h[3]));
        from = std::max(least / tile_side, block.alive_low[tile_row]);
        to = std::min((most + tile_side - 1) / tile_side, block.alive_high[tile_row]);
    }
    /// The bound of each cell's row.
    static HWY_INLINE V spread(const std::int32_t* bound, int tile_row, std::size_t at) {
        const D d;
        const I di;
#if HWY_TARGET <= HWY_AVX3
        const auto index =
            hn::Add(hn::Set(di, tile_row * tile_side), hn::ConvertTo(di, hn::Load(d, row_in_tile)));
        return hn::ConvertTo(d, hn::TableLookupLanes(hn::Load(di, bound), hn::IndicesFromVec(di, index)));
#else
        alignas(64) std::int32_t cells[tile_cells];
        for (int r = 0; r < tile_side; ++r)
            for (int c = 0; c < tile_side; ++c) cells[r * tile_side + c] = bound[tile_row * tile_side + r];
        return hn::ConvertTo(d, hn::Load(di, cells + at));
#endif
    }
};

/// Adds to the covered cells what `loss(band, u)` says, u = |cos| from `along`.
template <int bands, bool flat, bool fine>
HWY_INLINE void add_rows(const RowSpans& rows, const Linear& along, const LawSet& laws, const Block& block) {
    const D d;
    const std::size_t lanes = hn::Lanes(d);
    const Law<fine> law0(*laws[0]), law1(*laws[bands > 1 ? 1 : 0]), law2(*laws[bands > 2 ? 2 : 0]);
    const Places places(*laws[0]);
    const V flat0 = hn::Set(d, laws[0]->c[0][0]), flat1 = hn::Set(d, laws[bands > 1 ? 1 : 0]->c[0][0]),
            flat2 = hn::Set(d, laws[bands > 2 ? 2 : 0]->c[0][0]);
    const V four = hn::Set(d, static_cast<float>(tile_side));
    const V cx = hn::Set(d, static_cast<float>(along.cx)), cy = hn::Set(d, static_cast<float>(along.cy));
    for (std::size_t at = 0; at < tile_cells; at += lanes) {
        const V first_way = hn::MulAdd(cy, hn::Load(d, row_in_tile + at),
                                       hn::Set(d, static_cast<float>(along.c0 + along.cy * block.first_row)));
        for (int tile_row = 0; tile_row < block_tiles; ++tile_row) {
            int from = 0, to = 0;
            rows.tiles(block, tile_row, from, to);
            if (from >= to) continue;
            const V low = RowSpans::spread(rows.low, tile_row, at),
                    high = RowSpans::spread(rows.high, tile_row, at);
            const V row_way = hn::MulAdd(cy, hn::Set(d, static_cast<float>(tile_row * tile_side)), first_way);
            V column =
                hn::Add(hn::Load(d, column_in_tile + at), hn::Set(d, static_cast<float>(from * tile_side)));
            const std::size_t first =
                static_cast<std::size_t>(tile_row * block.tile_columns + from) * tile_cells + at;
            const float* per_distance = block.per_distance + first;
            float *loss0 = block.loss_db[0] + first, *loss1 = block.loss_db[bands > 1 ? 1 : 0] + first,
                  *loss2 = block.loss_db[bands > 2 ? 2 : 0] + first;
            for (int t = from; t < to; ++t) {
                const auto mask = hn::And(hn::Ge(column, low), hn::Lt(column, high));
                const auto add = [&](float* loss, V value) {
                    hn::Store(hn::Add(hn::Load(d, loss), hn::IfThenElseZero(mask, value)), d, loss);
                };
                if (flat) {
                    add(loss0, flat0);
                    if (bands > 1) add(loss1, flat1);
                    if (bands > 2) add(loss2, flat2);
                } else {
                    const Place place =
                        places.of(hn::Mul(hn::MulAdd(cx, column, row_way), hn::Load(d, per_distance)));
                    add(loss0, law0.loss_db(place));
                    if (bands > 1) add(loss1, law1.loss_db(place));
                    if (bands > 2) add(loss2, law2.loss_db(place));
                }
                column = hn::Add(column, four);
                per_distance += tile_cells;
                loss0 += tile_cells;
                if (bands > 1) loss1 += tile_cells;
                if (bands > 2) loss2 += tile_cells;
            }
        }
    }
}

void add(const RowSpans& rows, const Linear& along, const LawSet& laws, const Block& block) {
    bool flat = true;
    for (int b = 0; b < block.bands; ++b) flat = flat && laws[static_cast<std::size_t>(b)]->flat;
    const auto run = [&]<int bands>(std::integral_constant<int, bands>) {
        if (flat)
            add_rows<bands, true, false>(rows, along, laws, block);
        else if (laws[0]->pieces == AngleLaw::most_pieces)
            add_rows<bands, false, true>(rows, along, laws, block);
        else
            add_rows<bands, false, false>(rows, along, laws, block);
    };
    if (block.bands == 3)
        run(std::integral_constant<int, 3>());
    else if (block.bands == 2)
        run(std::integral_constant<int, 2>());
    else
        run(std::integral_constant<int, 1>());
}

void AddSpans(const std::int32_t* low, const std::int32_t* high, const Linear& along, const LawSet& laws,
              Block& block) {
    RowSpans rows;
    for (int r = 0; r < block_rows; ++r) {
        rows.low[r] = low[r] < high[r] ? low[r] : no_column;
        rows.high[r] = low[r] < high[r] ? high[r] : 0;
    }
    add(rows, along, laws, block);
}

/// Each half plane from its own boundary alone, in double: a cell on the edge of two shadows lies in one.
bool Spans(const HalfPlane* planes, int count, int first_row, int columns, std::int32_t* low,
           std::int32_t* high) {
    const Wide d;
    const hn::Rebind<std::int32_t, Wide> di;
    const std::size_t lanes = hn::Lanes(d);
    const auto zero = hn::Zero(d), end = hn::Set(d, static_cast<double>(columns)), one = hn::Set(d, 1.0);
    bool any = false;
    for (std::size_t at = 0; at < block_rows; at += lanes) {
        const auto row =
            hn::Add(hn::Iota(d, static_cast<double>(at)), hn::Set(d, static_cast<double>(first_row)));
        auto from = zero, to = end;
        for (int k = 0; k < count; ++k) {
            const HalfPlane& p = planes[k];
            const auto k0 = hn::Add(hn::Set(d, p.f.c0), hn::Mul(hn::Set(d, p.f.cy), row));
            if (p.f.cx == 0) {
                const auto fails = p.strict ? hn::Le(k0, zero) : hn::Lt(k0, zero);
                to = hn::IfThenElse(fails, from, to);
                continue;
            }
            const auto edge = hn::Mul(hn::Neg(k0), hn::Set(d, p.inverse_cx));
            if (p.f.cx > 0)
                from = hn::Max(from, p.strict ? hn::Add(hn::Floor(edge), one) : hn::Ceil(edge));
            else
                to = hn::Min(to, p.strict ? hn::Ceil(edge) : hn::Add(hn::Floor(edge), one));
        }
        const auto some = hn::Lt(from, to);
        any = any || !hn::AllFalse(d, some);
        from = hn::IfThenElse(some, from, hn::Set(d, static_cast<double>(no_column)));
        to = hn::IfThenElseZero(some, to);
        hn::StoreU(hn::DemoteTo(di, from), di, low + at);
        hn::StoreU(hn::DemoteTo(di, to), di, high + at);
    }
    return any;
}

void AddPanels(const PanelShadow* shadows, std::size_t count, const LawSet* laws, Block& block) {
    RowSpans rows;
    for (const PanelShadow* s = shadows; s != shadows + count; ++s) {
        if (s->end_row <= block.first_row || s->first_row >= block.first_row + block_rows) continue;
        if (!Spans(s->plane, s->planes, block.first_row, block.columns, rows.low, rows.high)) continue;
        add(rows, s->along, laws[s->law], block);
    }
}

void InverseDistances(float* out, int first_row, int tile_columns, const Linear& x, const Linear& y,
                      const Linear& z) {
    const D d;
    const std::size_t lanes = hn::Lanes(d);
    const V nearest = hn::Set(d, 1e-6f), one = hn::Set(d, 1.0f);
    for (int tile_row = 0; tile_row < block_tiles; ++tile_row)
        for (std::size_t at = 0; at < tile_cells; at += lanes) {
            const int row = first_row + tile_row * tile_side;
            const TileLinear lx(x, row, at), ly(y, row, at), lz(z, row, at);
            float* cells = out + static_cast<std::size_t>(tile_row * tile_columns) * tile_cells + at;
            for (int t = 0; t < tile_columns; ++t, cells += tile_cells) {
                const float tile = static_cast<float>(t);
                const V dx = lx.at(tile), dy = ly.at(tile), dz = lz.at(tile);
                const V square = hn::MulAdd(dx, dx, hn::MulAdd(dy, dy, hn::Mul(dz, dz)));
                hn::Store(hn::Div(one, hn::Sqrt(hn::Max(square, nearest))), d, cells);
            }
        }
}

template <class Face>
HWY_INLINE void clip(const Face& face, V receiver, V& enters, V& leaves) {
    const D d;
    const V source = hn::Set(d, static_cast<float>(face.source)), zero = hn::Zero(d);
    const auto inside = hn::Ge(receiver, zero);
    const V share = hn::Div(source, hn::Sub(source, receiver));
    if (face.source >= 0)
        leaves = hn::IfThenElse(inside, leaves, hn::Min(leaves, share));
    else
        enters = hn::IfThenElse(inside, hn::Max(enters, share), hn::Set(d, 2.0f));
}

HWY_INLINE V way_loss(V straight, float most_db, bool saturates) {
    const D d;
    const V most = hn::Set(d, most_db);
    if (!saturates) return hn::Min(straight, most);
    if (most_db <= 0) return hn::Zero(d);
    const V left = hn::Exp(d, hn::Neg(hn::Div(straight, most)));
    return hn::Mul(most, hn::Sub(hn::Set(d, 1.0f), left));
}

void AddPrism(const PrismShadow& prism, Block& block) {
    RowSpans rows;
    if (!Spans(prism.plane, prism.planes, block.first_row, block.columns, rows.low, rows.high)) return;
    const D d;
    const std::size_t lanes = hn::Lanes(d);
    const V zero = hn::Zero(d), one = hn::Set(d, 1.0f);
    for (int tile_row = 0; tile_row < block_tiles; ++tile_row) {
        int from = 0, to = 0;
        rows.tiles(block, tile_row, from, to);
        for (std::size_t at = 0; at < tile_cells; at += lanes)
            for (int t = from; t < to; ++t) {
                V enters = zero, leaves = one;
                for (const auto& face : prism.faces)
                    clip(face,
                         TileLinear(face.receiver, block.first_row + tile_row * tile_side, at)
                             .at(static_cast<float>(t)),
                         enters, leaves);
                const std::size_t cell =
                    static_cast<std::size_t>(tile_row * block.tile_columns + t) * tile_cells + at;
                const V share = hn::Max(hn::Sub(leaves, enters), zero);
                if (hn::AllFalse(d, hn::Gt(share, zero))) continue;
                const V way = hn::Div(share, hn::Load(d, block.per_distance + cell));
                for (int band = 0; band < block.bands; ++band) {
                    const auto b = static_cast<std::size_t>(band);
                    float* loss = block.loss_db[b] + cell;
                    const V straight = hn::Mul(way, hn::Set(d, prism.db_per_m[b]));
                    hn::Store(
                        hn::Add(hn::Load(d, loss), way_loss(straight, prism.most_db[b], prism.saturates)), d,
                        loss);
                }
            }
    }
}

void AddSquares(float* sum, const float* part, std::size_t count) {
    const D d;
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        const V p = hn::Load(d, part + i);
        hn::Store(hn::MulAdd(p, p, hn::Load(d, sum + i)), d, sum + i);
    }
}

}  // namespace yemvo::shadow::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace yemvo::shadow {

HWY_EXPORT(InverseDistances);
HWY_EXPORT(AddPanels);
HWY_EXPORT(AddSpans);
HWY_EXPORT(AddPrism);
HWY_EXPORT(AddSquares);
HWY_EXPORT(Spans);

void inverse_distances(float* out, int first_row, int tile_columns, const Linear& x, const Linear& y,
                       const Linear& z) {
    HWY_DYNAMIC_DISPATCH(InverseDistances)(out, first_row, tile_columns, x, y, z);
}
void add_panels(const PanelShadow* shadows, std::size_t count, const LawSet* laws, Block& block) {
    HWY_DYNAMIC_DISPATCH(AddPanels)(shadows, count, laws, block);
}
void add_spans(const std::int32_t* low, const std::int32_t* high, const Linear& along, const LawSet& laws,
               Block& block) {
    HWY_DYNAMIC_DISPATCH(AddSpans)(low, high, along, laws, block);
}
void add_prism(const PrismShadow& prism, Block& block) { HWY_DYNAMIC_DISPATCH(AddPrism)(prism, block); }
void add_squares(float* sum, const float* part, std::size_t count) {
    HWY_DYNAMIC_DISPATCH(AddSquares)(sum, part, count);
}
bool spans(const HalfPlane* planes, int count, int first_row, int columns, std::int32_t* low,
           std::int32_t* high) {
    return HWY_DYNAMIC_DISPATCH(Spans)(planes, count, first_row, columns, low, high);
}

}  // namespace yemvo::shadow
#endif
