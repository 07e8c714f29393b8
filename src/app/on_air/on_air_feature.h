// SPDX-License-Identifier: GPL-3.0-or-later
// The page of captures, which needs no project.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class OnAirPage;

class OnAirFeature : public Feature {
    Q_OBJECT
public:
    explicit OnAirFeature(Shell&);
    OnAirPage& page() { return *page_; }

private:
    OnAirPage* page_;
};

}  // namespace yemvo::app
