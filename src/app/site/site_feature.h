// SPDX-License-Identifier: GPL-3.0-or-later
// The site: its buildings from above.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class SiteView;

class SiteFeature : public Feature {
    Q_OBJECT
public:
    explicit SiteFeature(Shell&);
    SiteView& view() { return *view_; }

private:
    SiteView* view_;
};

}  // namespace yemvo::app
