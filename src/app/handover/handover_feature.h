// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class HandoverPage;

class HandoverFeature : public Feature {
    Q_OBJECT
public:
    explicit HandoverFeature(Shell&);
    HandoverPage& page() { return *page_; }

private:
    HandoverPage* page_;
};

}  // namespace yemvo::app
