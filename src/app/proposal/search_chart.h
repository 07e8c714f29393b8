// SPDX-License-Identifier: GPL-3.0-or-later
// The search as it went: access points and area not met over time, with the bound.
#pragma once
#include <QWidget>
#include <vector>

#include "proposal/propose.h"

namespace yemvo::app {

class SearchChart : public QWidget {
public:
    explicit SearchChart(QWidget* parent = nullptr);
    void begin(double seconds);
    void add(const ProposalStand&);
    void end();
    const std::vector<ProposalStand>& stands() const { return stands_; }

private:
    void paintEvent(QPaintEvent*) override;
    QSize sizeHint() const override { return {300, 120}; }
    std::vector<ProposalStand> stands_;
    double seconds_ = 60;  ///< of the time axis
    bool running_ = false;
};

}  // namespace yemvo::app
