// SPDX-License-Identifier: GPL-3.0-or-later
// The page of materials and types.
#pragma once
#include "app/offer/feature.h"

namespace yemvo::app {

class TypesPage;

class MaterialsFeature : public Feature {
    Q_OBJECT
public:
    explicit MaterialsFeature(Shell&);
    TypesPage& page() { return *page_; }
    bool is_showing() const;

private:
    void show(WallTypeId);
    TypesPage* page_;
};

}  // namespace yemvo::app
