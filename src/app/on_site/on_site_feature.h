// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class OnSitePage;

class OnSiteFeature : public Feature {
    Q_OBJECT
public:
    explicit OnSiteFeature(Shell&);
    OnSitePage& page() { return *page_; }

private:
    OnSitePage* page_;
};

}  // namespace yemvo::app
