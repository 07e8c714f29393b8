// SPDX-License-Identifier: GPL-3.0-or-later
// Both cuts and the lobe of a pattern below each other, at the side of the pages that make patterns.
#pragma once
#include <QWidget>

#include "antenna/pattern/cuts.h"
#include "wireless/band.h"

namespace yemvo::app {

class LobeView;
class PolarPlot;

class PatternPlots : public QWidget {
    Q_OBJECT
public:
    explicit PatternPlots(QWidget* parent = nullptr);
    void show_cuts(const PatternCuts&, BandId);

private:
    PolarPlot *azimuth_, *elevation_;
    LobeView* lobe_;
};

}  // namespace yemvo::app
