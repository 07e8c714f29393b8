// SPDX-License-Identifier: GPL-3.0-or-later
// Numbers that are printed round a chart and on its rings.
#pragma once
#include <string>
#include <vector>

#include "base/progress.h"
#include "chart/lines.h"
#include "chart/rings.h"

namespace yemvo::chart {

struct Label {
    double number = 0;
    Point place;        ///< the middle of its words
    double height = 0;  ///< of a digit [px]
};

/// Every number found in and round the rings. Some may be misread: what uses them has to vote.
std::vector<Label> read_labels(const Lines&, const Rings&, const CancelToken&);

/// Which way angles run, from the labels outside of the outermost ring.
struct AngleReading {
    double zero_deg = 0;
    bool clockwise = true;
    int agreeing = 0;   ///< labels
    double height = 0;  ///< of their digits [px]
};
/// `agreeing` is 0 where too few labels agree.
AngleReading angles_from(const std::vector<Label>&, const Rings&);

struct RingReading {
    double ring_db = 10, outer_db = 0;
    int agreeing = 0;
};
/// Labels that tell angles, and those of another size of print, tell no rings.
RingReading rings_from(const std::vector<Label>&, const Rings&, const AngleReading&);

}  // namespace yemvo::chart
