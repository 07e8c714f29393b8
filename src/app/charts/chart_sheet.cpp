// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/charts/chart_sheet.h"

#include <QFile>
#include <QFileInfo>
#include <algorithm>
#include <cmath>
#include <numbers>

#include "antenna/pattern/cut_edits.h"
#include "base/error.h"
#include "render/drawings/sheet.h"
#include "render/picture_of.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr double sideways_least = 0.5;  ///< of the sine: a front within 60 degrees of the side

bool zero_is_right(const ChartFrame& f) { return std::abs(std::remainder(f.zero_deg - 90, 360)) < 20; }

void use_first_two(std::vector<TracedChart>& charts) {
    if (charts.empty()) return;
    const bool swapped =
        zero_is_right(charts[0].found.frame) && (charts.size() < 2 || !zero_is_right(charts[1].found.frame));
    charts[0].use = swapped ? ChartUse::elevation : ChartUse::azimuth;
    if (charts.size() > 1) charts[1].use = swapped ? ChartUse::azimuth : ChartUse::elevation;
}

}  // namespace

void trace(const Picture& picture, TracedChart& chart, const CancelToken& cancel) {
    chart.fault.clear();
    try {
        chart.curve = follow_curve(picture, chart.found, {chart.colour, chart.drawn}, cancel);
    } catch (const Error& fault) {
        chart.curve.reset();
        chart.fault = fault_text(fault);
    }
}

TracedChart chart_by_hand(const QImage& image) {
    TracedChart chart;
    ChartFrame& f = chart.found.frame;
    f.centre_px = {image.width() / 2.0, image.height() / 2.0};
    f.outer_px = std::min(image.width(), image.height()) * 0.35;
    f.db_per_px = 40 / f.outer_px;
    for (int i = 0; i < 4; ++i) chart.found.rings_px.push_back(f.outer_px * (4 - i) / 4);
    chart.use = ChartUse::azimuth;
    return chart;
}

ChartSheet read_chart_sheet(const QString& file, int page, const CancelToken& cancel) {
    ChartSheet sheet;
    sheet.file = file;
    sheet.name = QFileInfo(file).fileName();
    sheet.page = page;
    const std::string said = sheet.name.toStdString();
    QFile in(file);
    constexpr qint64 largest = 200 << 20;
    if (!in.open(QIODevice::ReadOnly))
        throw Error(say("cannot be opened"), said, say("Check that it exists and that you may read it"));
    if (in.size() > largest) throw Error(say("is larger than 200 MB"), said, say("Choose a smaller scan"));
    const QByteArray all = in.readAll();
    const auto* begin = reinterpret_cast<const std::byte*>(all.constData());
    const auto bytes = std::make_shared<const Bytes>(begin, begin + all.size());
    const auto opened = render::open_sheet(bytes, render::kind_of_file(*bytes, said), page - 1, said, cancel);
    sheet.pages = opened->pages();
    sheet.words = opened->words();
    sheet.image = render::image_of(*opened);
    Picture picture = render::picture_of(sheet.image);
    picture.name = said;
    sheet.picture = std::make_shared<const Picture>(std::move(picture));
    for (const FoundChart& found : find_charts(*sheet.picture, cancel)) {
        TracedChart chart;
        chart.found = found;
        trace(*sheet.picture, chart, cancel);
        sheet.charts.push_back(std::move(chart));
    }
    use_first_two(sheet.charts);
    return sheet;
}

/// A chart shows the antenna as it is: azimuths from above, so that they run clockwise on the sheet;
/// elevations from the side, so that up is up, which a front to the right has counter-clockwise of it and one
/// to the left clockwise. With the front up or down the sheet does not tell, and the chart's own angles are
/// taken.
Cut as_cut(const TracedChart& chart) {
    if (!chart.curve) return {};
    const ChartFrame& f = chart.found.frame;
    const double to_right = std::sin(f.zero_deg * std::numbers::pi / 180);
    const bool runs_clockwise = chart.use != ChartUse::elevation      ? true
                                : std::abs(to_right) > sideways_least ? to_right < 0
                                                                      : f.clockwise;
    return runs_clockwise == f.clockwise ? chart.curve->cut : mirrored(chart.curve->cut);
}

CutsMeet meet(const Cut& azimuth, const Cut& elevation, int degree) {
    return {azimuth[degree], elevation[degree]};
}

JointFit fit_jointly(TracedChart& azimuth, TracedChart& elevation) {
    JointFit fit;
    const double a = -as_cut(azimuth)[180], e = -as_cut(elevation)[180];
    const double spacing_px = azimuth.found.ring_db / azimuth.found.frame.db_per_px;
    if (a + e <= 0 || spacing_px <= 0) return fit;
    // a ring may lie half a pixel beside on both sides of a step
    const double most = 1 / spacing_px;
    const double by = std::clamp((e - a) / (a + e), -most, most);
    const auto scale = [](TracedChart& chart, double k) {
        chart.found.frame.db_per_px *= k;
        if (!chart.curve) return;
        for (int degree = 0; degree < Cut::degrees; ++degree) chart.curve->cut[degree] *= k;
    };
    scale(azimuth, 1 + by);
    scale(elevation, 1 - by);
    fit.rings_px = std::abs(by) * spacing_px;
    fit.behind_db = meet(as_cut(azimuth), as_cut(elevation), 180).by_db();
    return fit;
}

}  // namespace yemvo::app
