// SPDX-License-Identifier: GPL-3.0-or-later
// Who is where doing what, and what of it is carried: the tray page, busy hours, and capacity with every
// prediction.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class DemandPage;

class DemandFeature : public Feature {
    Q_OBJECT
public:
    explicit DemandFeature(Shell&);
    DemandPage& page() { return *page_; }

private:
    void want_capacity();
    /// What is refused is told.
    void change(const QString& label, const std::function<void(Project&)>& how);
    void add_hour();
    void rename_hour();
    void remove_hour();
    void next_hour();
    DemandPage* page_;
};

}  // namespace yemvo::app
