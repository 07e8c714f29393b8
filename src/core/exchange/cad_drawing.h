// SPDX-License-Identifier: GPL-3.0-or-later
// A CAD drawing flattened to what a plan shows: straight pieces, arcs, curves and words by layer, blocks
// already put in their places. Coordinates are the file's own, x right, y up.
#pragma once
#include <cstddef>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "base/said.h"
#include "geometry/polygon.h"

namespace yemvo {

enum class CadUnit { millimetre, centimetre, metre, inch, foot };
/// "mm", "cm", "m", "in", "ft".
std::string_view cad_unit_name(CadUnit);
std::optional<CadUnit> find_cad_unit(std::string_view name);
double metres(CadUnit);

/// What every piece has: shown when its layer is, and the layer (if any) that a block it came in with was
/// frozen by.
struct CadPlace {
    int layer = 0;
    int gate = -1;  ///< layer of the block reference that hides it too; -1 for none
};

struct CadLine : CadPlace {
    Point a, b;
};

/// centre + u cos t + v sin t for t in [from, from + sweep] (radians): arcs of circles and ellipses alike,
/// also after being squeezed or mirrored.
struct CadArc : CadPlace {
    Point centre, u, v;
    double from = 0, sweep = 0;
    Point at(double t) const { return centre + u * std::cos(t) + v * std::sin(t); }
};
double length(const CadArc&);
Box bounds(const CadArc&);
/// Points along it, its ends among them, no farther from the arc than `tolerance`.
std::vector<Point> flattened(const CadArc&, double tolerance);

/// A spline as points along it.
struct CadCurve : CadPlace {
    std::vector<Point> points;
};

struct CadText : CadPlace {
    Point at;
    double height = 0, turn_deg = 0;
    double align_x = 0, align_y = 0;  ///< share of the text's width and height that lies before `at`
    std::string words;                ///< lines parted by \n
};

struct CadLayer {
    std::string name;
    bool visible = true;  ///< neither off nor frozen in the file
    std::size_t segments = 0;
    std::size_t arcs = 0;  ///< curved pieces: arcs, ellipses, splines
    double length = 0;     ///< of all pieces, in drawing units
    std::optional<Box> box;
};

/// What was not taken over, and why.
struct CadSkipped {
    Said what, why;
    std::size_t count = 0;
};

struct CadDrawing {
    std::vector<CadLayer> layers;
    std::vector<CadLine> lines;
    std::vector<CadArc> arcs;
    std::vector<CadCurve> curves;
    std::vector<CadText> texts;
    std::vector<CadSkipped> skipped;
    std::optional<double> unit_m;  ///< metres a unit as the file says; none where it does not
    bool imperial = false;         ///< the file says that it was measured so
    std::size_t pieces() const { return lines.size() + arcs.size() + curves.size(); }
};

/// Round the pieces of the layers that are not named in `hidden`; none when nothing is left.
std::optional<Box> shown_box(const CadDrawing&, const std::vector<std::string>& hidden);
/// Names of the layers that the file itself has off or frozen.
std::vector<std::string> hidden_in_file(const CadDrawing&);
/// By layer index: shown.
std::vector<bool> shown_layers(const CadDrawing&, const std::vector<std::string>& hidden);
inline bool is_shown(const CadPlace& p, const std::vector<bool>& shown) {
    return shown[static_cast<std::size_t>(p.layer)] &&
           (p.gate < 0 || shown[static_cast<std::size_t>(p.gate)]);
}

/// The unit in which a floor plan of this size is most likely drawn: its longer side comes nearest to 40 m,
/// metric units before imperial ones unless the file is imperial.
CadUnit likely_unit(const CadDrawing&);

}  // namespace yemvo
