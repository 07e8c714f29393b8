#include "propagation/gain_field.h"

#include <algorithm>
#include <cmath>

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
constexpr float degrees = 57.29577951f;

inline V constant(double v) { return hn::Set(D(), static_cast<float>(v)); }

/// A direction in the antenna's body, not of unit length, and 1 / its length.
struct Way {
    V front, right, up, per_length;
};

/// In degrees; x and y not both 0.
inline V azimuth_deg(V right, V front) {
    const D d;
    const V x = hn::Abs(front), y = hn::Abs(right);
    const V low = hn::Min(x, y), high = hn::Max(hn::Max(x, y), constant(1e-20));
    V angle = hn::Mul(hn::Atan(d, hn::Div(low, high)), constant(degrees));
    angle = hn::IfThenElse(hn::Gt(y, x), hn::Sub(constant(90), angle), angle);
    angle = hn::IfThenElse(hn::Lt(front, hn::Zero(d)), hn::Sub(constant(180), angle), angle);
    return hn::CopySign(angle, right);
}

inline V elevation_deg(const Way& way) {
    const D d;
    const V sine = hn::Clamp(hn::Mul(way.up, way.per_length), constant(-1), constant(1));
    return hn::Mul(hn::Asin(d, sine), constant(degrees));
}

inline V square(V v) { return hn::Mul(v, v); }

inline V lobe_db(const DomeLobe& lobe, const Way& way) {
    const V from_axis = hn::Add(constant(90), elevation_deg(way));
    return hn::Max(hn::Mul(square(hn::Mul(from_axis, constant(1 / lobe.beamwidth_deg))), constant(-12)),
                   constant(lobe.floor_db));
}

inline V lobe_db(const SectorLobe& lobe, const Way& way) {
    const V most = constant(lobe.front_back_db);
    const V azimuth = hn::Mul(azimuth_deg(way.right, way.front), constant(1 / lobe.horizontal_deg));
    const V elevation =
        hn::Mul(hn::Add(elevation_deg(way), constant(lobe.tilt_deg)), constant(1 / lobe.vertical_deg));
    const V across = hn::Min(hn::Mul(square(azimuth), constant(12)), most);
    const V upright = hn::Min(hn::Mul(square(elevation), constant(12)), constant(lobe.side_limit_db));
    return hn::Neg(hn::Min(hn::Add(across, upright), most));
}

inline V lobe_db(const PatchLobe& lobe, const Way& way) {
    const D d;
    const V cosine = hn::Mul(way.front, way.per_length), least = constant(1e-6);
    const V db = hn::Mul(hn::Log10(d, hn::Max(cosine, least)), constant(10 * lobe.exponent));
    return hn::IfThenElse(hn::Le(cosine, least), constant(lobe.floor_db),
                          hn::Max(db, constant(lobe.floor_db)));
}

inline V lobe_db(const DipoleLobe&, const Way& way) {
    const D d;
    const V floor_db = constant(-30);
    const V cosine = hn::Mul(way.up, way.per_length);
    const V sine = hn::Mul(hn::Sqrt(hn::MulAdd(way.front, way.front, square(way.right))), way.per_length);
    const V field = hn::Abs(
        hn::Div(hn::Cos(d, hn::Mul(cosine, constant(1.5707963267948966))), hn::Max(sine, constant(1e-6))));
    const V db = hn::Mul(hn::Log10(d, hn::Max(field, constant(1e-9))), constant(20));
    return hn::IfThenElse(hn::Lt(sine, constant(1e-6)), floor_db, hn::Max(db, floor_db));
}

template <class Shape>
bool fill(const FieldJob& job, const Shape& lobe, std::int16_t* out) {
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
                const Way way{along(job.axes.front), along(job.axes.right), along(job.axes.up),
                              hn::Div(constant(1), hn::Sqrt(hn::Max(square_m, constant(1e-12))))};
                const V spread_db = hn::Mul(
                    hn::Log10(d, hn::Max(square_m, constant(job.nearest_m * job.nearest_m))), constant(10));
                const V path_db =
                    hn::Add(hn::Add(spread_db, hn::Load(d, loss + at)), constant(job.at_one_metre_db));
                const V gain_db = hn::Sub(hn::Add(lobe_db(lobe, way), constant(job.gain_dbi)), path_db);
                const auto lost = hn::Gt(path_db, constant(job.limit_db));
                heard = heard || !hn::AllTrue(d, lost);
                const V hundredths =
                    hn::Clamp(hn::Mul(gain_db, constant(100)), constant(-32700), constant(32700));
                const auto whole = hn::NearestInt(hn::IfThenElse(lost, constant(-32768), hundredths));
                hn::StoreU(hn::DemoteTo(ds, whole), ds, tile + at);
            }
            const int width = std::min(4, s.columns - tx * 4), height = std::min(4, s.rows - ty * 4);
            for (int r = 0; r < height; ++r)
                std::copy_n(tile + r * 4, width, out + s.index(tx * 4, ty * 4 + r));
        }
    return heard;
}

bool FillDome(const FieldJob& job, const DomeLobe& lobe, std::int16_t* out) { return fill(job, lobe, out); }
bool FillSector(const FieldJob& job, const SectorLobe& lobe, std::int16_t* out) {
    return fill(job, lobe, out);
}
bool FillPatch(const FieldJob& job, const PatchLobe& lobe, std::int16_t* out) { return fill(job, lobe, out); }
bool FillDipole(const FieldJob& job, const DipoleLobe& lobe, std::int16_t* out) {
    return fill(job, lobe, out);
}

}  // namespace yemvo::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace yemvo {
namespace {

HWY_EXPORT(FillDome);
HWY_EXPORT(FillSector);
HWY_EXPORT(FillPatch);
HWY_EXPORT(FillDipole);

bool fill(const FieldJob& job, const DomeLobe& lobe, std::int16_t* out) {
    return HWY_DYNAMIC_DISPATCH(FillDome)(job, lobe, out);
}
bool fill(const FieldJob& job, const SectorLobe& lobe, std::int16_t* out) {
    return HWY_DYNAMIC_DISPATCH(FillSector)(job, lobe, out);
}
bool fill(const FieldJob& job, const PatchLobe& lobe, std::int16_t* out) {
    return HWY_DYNAMIC_DISPATCH(FillPatch)(job, lobe, out);
}
bool fill(const FieldJob& job, const DipoleLobe& lobe, std::int16_t* out) {
    return HWY_DYNAMIC_DISPATCH(FillDipole)(job, lobe, out);
}

}  // namespace

std::int16_t centi_db(double value_db) {
    return static_cast<std::int16_t>(std::lround(std::clamp(value_db * 100, -32700.0, 32700.0)));
}

GainField make_gain_field(const Surface& surface, Point3 source, const Turn& turn, const Antenna& antenna,
                          BandId id, const Obstruction& obstruction, double limit_db) {
    GainField field;
    field.silent = obstruction.silent();
    if (field.silent) return field;
    field.gain_cdb.assign(padded(surface.cells()), silent_cdb);
    const FieldJob job{&surface,
                       source,
                       Orientation(turn).axes(),
                       antenna.gain_dbi,
                       free_space_loss_db(band(id).reference_mhz, 1),
                       limit_db,
                       nearest_distance_m,
                       &obstruction.by_band[id.index]};
    const bool heard =
        std::visit([&](const auto& lobe) { return fill(job, lobe, field.gain_cdb.data()); }, antenna.lobe);
    if (!heard) {
        field.silent = true;
        field.gain_cdb = {};
    } else {
        for (std::int16_t gain : field.gain_cdb) field.peak_cdb = std::max(field.peak_cdb, gain);
    }
    return field;
}

}  // namespace yemvo
#endif
