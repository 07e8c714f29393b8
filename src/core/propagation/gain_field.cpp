// SPDX-License-Identifier: GPL-3.0-or-later
#include "propagation/gain_field.h"

#include <algorithm>
#include <cmath>

#include "antenna/gain_table.h"
#include "wireless/link_budget.h"

#ifndef YEMVO_FIELD_JOB  // this file is read once an instruction set
#define YEMVO_FIELD_JOB
namespace yemvo {
/// What all cells of a field share.
struct FieldJob {
    const Surface* surface;
    Point3 source;
    BodyAxes axes;
    double gain_dbi, at_one_metre_db, limit_db, nearest_m;
    const TilePlane* loss;
    const std::int32_t* table;  ///< of the antenna, GainTable::pairs
};
}  // namespace yemvo
#endif

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "propagation/gain_field.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>
// after highway.h
#include <hwy/contrib/math/math-inl.h>

HWY_BEFORE_NAMESPACE();
namespace yemvo::HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

using D = hn::CappedTag<float, 16>;
using V = hn::Vec<D>;

alignas(64) constexpr float tile_x[16] = {0, 1, 2, 3, 0, 1, 2, 3, 0, 1, 2, 3, 0, 1, 2, 3};
alignas(64) constexpr float tile_y[16] = {0, 0, 0, 0, 1, 1, 1, 1, 2, 2, 2, 2, 3, 3, 3, 3};

inline V constant(double v) { return hn::Set(D(), static_cast<float>(v)); }

/// Looked up as GainTable::relative_db does, in hundredths; the direction need not be of unit length.
inline V relative_cdb(const std::int32_t* table, V right, V front, V up) {
    const D d;
    constexpr double half = (GainTable::side - 1) / 2.0;
    const V one = constant(1);
    const V sum = hn::Add(hn::Add(hn::Abs(right), hn::Abs(front)), hn::Abs(up));
    const V per = hn::Div(one, hn::Max(sum, constant(1e-12)));
    const V x = hn::Mul(right, per), y = hn::Mul(front, per);
    const auto below = hn::Lt(up, hn::Zero(d));
    const V folded_x = hn::IfThenElse(below, hn::CopySign(hn::Sub(one, hn::Abs(y)), x), x);
    const V folded_y = hn::IfThenElse(below, hn::CopySign(hn::Sub(one, hn::Abs(x)), y), y);
    const V column = hn::MulAdd(folded_x, constant(half), constant(half));
    const V row = hn::MulAdd(folded_y, constant(half), constant(half));
    const hn::RebindToSigned<D> di;
    const auto i = hn::ConvertTo(di, column), j = hn::ConvertTo(di, row);
    const V u = hn::Sub(column, hn::ConvertTo(d, i)), v = hn::Sub(row, hn::ConvertTo(d, j));
    static_assert(GainTable::side == 257);
    const auto at = hn::Add(hn::Add(hn::ShiftLeft<8>(j), j), i);
    const auto along_row = [&](int by) {
        const auto pair = hn::GatherIndex(di, table + by, at);
        const V left = hn::ConvertTo(d, hn::ShiftRight<16>(hn::ShiftLeft<16>(pair)));
        return hn::MulAdd(u, hn::Sub(hn::ConvertTo(d, hn::ShiftRight<16>(pair)), left), left);
    };
    const V low = along_row(0), high = along_row(GainTable::side);
    return hn::MulAdd(v, hn::Sub(high, low), low);
}

bool Fill(const FieldJob& job, std::int16_t* out) {
    const D d;
    const hn::Rebind<std::int16_t, D> ds;
    const std::size_t lanes = hn::Lanes(d);
    const Surface& s = *job.surface;
    const Point first = s.centre(0, 0);
    bool heard = false;
    alignas(64) std::int16_t tile[16];
    for (int ty = 0; ty * 4 < s.rows; ++ty)
        for (int tx = 0; tx * 4 < s.columns; ++tx) {
            const std::size_t cell = static_cast<std::size_t>(ty * job.loss->tile_columns() + tx) * 16;
            const float* loss = job.loss->block(0) + cell;
            for (std::size_t at = 0; at < 16; at += lanes) {
                const V column = hn::Add(hn::Load(d, tile_x + at), constant(tx * 4));
                const V row = hn::Add(hn::Load(d, tile_y + at), constant(ty * 4));
                const V cell_m = constant(s.cell_m);
                const V x = hn::MulAdd(column, cell_m, constant(first.x - job.source.x));
                const V y = hn::MulAdd(row, cell_m, constant(first.y - job.source.y));
                const V z = hn::MulAdd(constant(s.slope_x * s.cell_m), column,
                                       hn::MulAdd(constant(s.slope_y * s.cell_m), row,
                                                  constant(s.height_m(first) - job.source.z)));
                const V square_m = hn::MulAdd(x, x, hn::MulAdd(y, y, hn::Mul(z, z)));
                const auto along = [&](Point3 axis) {
                    return hn::MulAdd(x, constant(axis.x),
                                      hn::MulAdd(y, constant(axis.y), hn::Mul(z, constant(axis.z))));
                };
                const V relative =
                    relative_cdb(job.table, along(job.axes.right), along(job.axes.front), along(job.axes.up));
                const V spread_db = hn::Mul(
                    hn::Log10(d, hn::Max(square_m, constant(job.nearest_m * job.nearest_m))), constant(10));
                const V path_db =
                    hn::Add(hn::Add(spread_db, hn::Load(d, loss + at)), constant(job.at_one_metre_db));
                const auto lost = hn::Gt(path_db, constant(job.limit_db));
                heard = heard || !hn::AllTrue(d, lost);
                const V gain_cdb =
                    hn::NegMulAdd(path_db, constant(100), hn::Add(relative, constant(100 * job.gain_dbi)));
                const V hundredths = hn::Clamp(gain_cdb, constant(-32700), constant(32700));
                const auto whole = hn::NearestInt(hn::IfThenElse(lost, constant(-32768), hundredths));
                hn::StoreU(hn::DemoteTo(ds, whole), ds, tile + at);
            }
            const int width = std::min(4, s.columns - tx * 4), height = std::min(4, s.rows - ty * 4);
            for (int r = 0; r < height; ++r)
                std::copy_n(tile + r * 4, width, out + s.index(tx * 4, ty * 4 + r));
        }
    return heard;
}

}  // namespace yemvo::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace yemvo {

HWY_EXPORT(Fill);

std::int16_t centi_db(double value_db) {
    return static_cast<std::int16_t>(std::lround(std::clamp(value_db * 100, -32700.0, 32700.0)));
}

GainField make_gain_field(const Surface& surface, Point3 source, const Turn& turn, const Antenna& antenna,
                          BandId id, const Obstruction& obstruction, double limit_db) {
    GainField field;
    field.silent = obstruction.silent();
    if (field.silent) return field;
    field.gain_cdb.assign(padded(surface.cells()), silent_cdb);
    const std::shared_ptr<const GainTable> table = gain_table(antenna.lobe);
    const FieldJob job{&surface,
                       source,
                       Orientation(turn).axes(),
                       antenna.gain_dbi,
                       free_space_loss_db(band(id).reference_mhz, 1),
                       limit_db,
                       nearest_distance_m,
                       &obstruction.by_band[id.index],
                       table->pairs()};
    if (!HWY_DYNAMIC_DISPATCH(Fill)(job, field.gain_cdb.data())) {
        field.silent = true;
        field.gain_cdb = {};
    } else {
        for (std::int16_t gain : field.gain_cdb) field.peak_cdb = std::max(field.peak_cdb, gain);
    }
    return field;
}

}  // namespace yemvo
#endif
