// SPDX-License-Identifier: GPL-3.0-or-later
// A sheet with printed charts while a person works on it.
#pragma once
#include <QImage>
#include <QString>
#include <memory>
#include <vector>

#include "base/progress.h"
#include "chart/chart.h"

namespace yemvo::app {

enum class ChartUse { none, azimuth, elevation };

struct TracedChart {
    FoundChart found;  ///< as it stands now: the person may have moved it
    ChartUse use = ChartUse::none;
    std::optional<Colour> colour;           ///< that was picked
    std::vector<std::vector<Point>> drawn;  ///< by hand: what the curve goes through, the last one last
    std::optional<TracedCurve> curve;
    QString fault;  ///< why there is no curve
};

struct ChartSheet {
    QString file, name;
    int page = 1, pages = 1;
    QString words;  ///< written on the page, where it is more than a picture
    QImage image;
    std::shared_ptr<const Picture> picture;
    std::vector<TracedChart> charts;
};

/// Reads a picture or a page, finds its charts and follows their curves. The first chart is the azimuth, the
/// second the elevation, unless 0 stands to the right in the first. Throws Error, Cancelled.
ChartSheet read_chart_sheet(const QString& file, int page, const CancelToken&);
/// The curve of a chart as it stands now, or why there is none. Throws Cancelled.
void trace(const Picture&, TracedChart&, const CancelToken&);
/// A chart where nobody found one: in the middle of the sheet, four rings of 10 dB.
TracedChart chart_by_hand(const QImage&);

/// The values of a chart for the cut that it is used as: azimuth clockwise, elevation upwards.
Cut as_cut(const TracedChart&);

/// Both cuts where they look the same way: ahead and behind [dB].
struct CutsMeet {
    double azimuth_db, elevation_db;
    double by_db() const { return azimuth_db - elevation_db; }
};
CutsMeet meet(const Cut& azimuth, const Cut& elevation, int degree);

/// Rings of both charts moved within a pixel of what was found, so that the cuts agree best behind. Gives by
/// how many pixels the rings were moved, and by how much the cuts differ then.
struct JointFit {
    double rings_px = 0, behind_db = 0;
};
JointFit fit_jointly(TracedChart& azimuth, TracedChart& elevation);

}  // namespace yemvo::app
