// SPDX-License-Identifier: GPL-3.0-or-later
// Drawings: pictures, PDF pages, SVG and CAD files that lie under a floor.
#pragma once
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "base/id.h"
#include "geometry/polygon.h"
#include "geometry/similarity.h"

namespace yemvo {

enum class DrawingKind { picture, pdf, svg, dxf };
std::string_view drawing_kind_name(DrawingKind);
std::optional<DrawingKind> find_drawing_kind(std::string_view name);

/// What of which file is shown. Sheet coordinates are the file's own with y turned down: pixels or points
/// (1/72 inch) from the upper left corner, SVG user units, CAD units as (x, -y).
struct DrawingSource {
    std::string asset;  ///< name of the bytes in the project's assets
    DrawingKind kind = DrawingKind::picture;
    int page = 0;  ///< of a PDF, from 0
    Box sheet;     ///< what there is to see, in sheet coordinates
    std::vector<std::string> hidden_layers;
    friend bool operator==(const DrawingSource&, const DrawingSource&) = default;
};

/// How the scale was found.
enum class ScaleBy { none, lengths, area, printed_ratio, file_units, like_another };
std::string_view scale_by_name(ScaleBy);
std::optional<ScaleBy> find_scale_by(std::string_view name);

/// A length on the sheet whose true size is known.
struct KnownLength {
    Point a, b;  ///< in sheet coordinates
    double length_m = 0;
    friend bool operator==(const KnownLength&, const KnownLength&) = default;
};

/// What a newer revision took the place of, for comparing both.
struct EarlierRevision {
    DrawingSource source;
    std::vector<Point> crop;
    Similarity placement;
    friend bool operator==(const EarlierRevision&, const EarlierRevision&) = default;
};

struct Drawing {
    DrawingId id;
    std::string name;
    DrawingSource source;
    std::vector<Point> crop;  ///< corners in sheet coordinates; empty: all of the sheet
    Similarity placement;     ///< from (x, -y) in sheet coordinates to metres of the floor
    ScaleBy scale_by = ScaleBy::none;
    std::vector<KnownLength> lengths;  ///< that the scale was fitted to
    double opacity = 0.55;             ///< [0, 1]
    double lighten = 0;                ///< [0, 1]: how far ink is drawn towards white
    bool inverted = false;             ///< light on dark becomes dark on light
    bool shown = true;
    std::optional<EarlierRevision> earlier;

    bool to_scale() const { return scale_by != ScaleBy::none; }
    Point to_venue(Point sheet) const { return placement.apply({sheet.x, -sheet.y}); }
    Point to_sheet(Point venue) const {
        const Point p = placement.invert(venue);
        return {p.x, -p.y};
    }
    friend bool operator==(const Drawing&, const Drawing&) = default;
};

/// The part of the sheet that is shown, as corners in sheet coordinates.
std::vector<Point> shown_corners(const Drawing&);
/// The box round it on the floor [m].
Box extent(const Drawing&);

/// The drawing enlarged so that its scale becomes `metres_per_unit`, with `fixed` (in metres) staying.
Drawing rescaled(Drawing, double metres_per_unit, Point fixed, ScaleBy);

/// The drawing with its scale fitted to its known lengths by least squares, the first of them keeping its
/// first end. Without lengths it is not to scale. Throws Error.
Drawing scaled_by_lengths(Drawing);

/// The newer file in the place of the older: same look and scale, the older kept for comparing. CAD drawings
/// keep their coordinates; others are laid so that both sheets' widths agree when their proportions do, else
/// at the same scale from the upper left corner.
Drawing revised(const Drawing& older, const DrawingSource& newer, std::string name);

/// Metres per point of a sheet printed at 1:ratio.
double metres_per_point(double ratio);

}  // namespace yemvo
