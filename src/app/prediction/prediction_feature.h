// SPDX-License-Identifier: GPL-3.0-or-later
// Asks for predictions when the project or what is looked at changes, and hands them on.
#pragma once
#include "app/offer/feature.h"
#include "app/prediction/prediction_runner.h"

namespace yemvo::app {

class PredictionFeature : public Feature {
    Q_OBJECT
public:
    explicit PredictionFeature(Shell&);
    ~PredictionFeature() override;
    PredictionRunner& runner() { return runner_; }

private:
    void predict();
    void stop();
    void connect_runner();
    PredictionRunner runner_;
    bool stopped_ = false;  ///< by hand: what is shown may be old
};

}  // namespace yemvo::app
