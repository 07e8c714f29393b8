// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/pattern/pattern_plots.h"

#include <QVBoxLayout>

#include "antenna/pattern/measured_pattern.h"
#include "app/pattern/lobe_view.h"
#include "app/pattern/polar_plot.h"

namespace yemvo::app {

PatternPlots::PatternPlots(QWidget* parent) : QWidget(parent) {
    setFixedWidth(270);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(6, 6, 6, 6);
    column->setSpacing(6);
    azimuth_ = new PolarPlot(PolarPlot::Which::azimuth);
    elevation_ = new PolarPlot(PolarPlot::Which::elevation);
    lobe_ = new LobeView;
    column->addWidget(azimuth_, 5);
    column->addWidget(elevation_, 5);
    column->addWidget(lobe_, 4);
}

void PatternPlots::show_cuts(const PatternCuts& cuts, BandId band) {
    azimuth_->show_cut(cuts.azimuth, band);
    elevation_->show_cut(cuts.elevation, band);
    lobe_->show_lobe(MeasuredLobe({{}, PatternFrame::upright, Blend::by_angle, {cuts}}));
}

}  // namespace yemvo::app
