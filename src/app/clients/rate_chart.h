// SPDX-License-Identifier: GPL-3.0-or-later
// The PHY rates of a client profile by level, a line for each band.
#pragma once
#include <QWidget>

#include "gear/client.h"

namespace yemvo::app {

class RateChart : public QWidget {
    Q_OBJECT
public:
    explicit RateChart(QWidget* parent = nullptr);
    void show_client(const ClientProfile&);
    /// As drawn: Mbit/s down at a level at the client, 0 where no rate holds.
    double mbps(BandId, double level_dbm) const;

private:
    void paintEvent(QPaintEvent*) override;
    ClientProfile client_;
    struct Line {
        BandId band;
        RateLadder ladder;
    };
    std::vector<Line> lines_;
};

}  // namespace yemvo::app
