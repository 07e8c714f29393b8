// SPDX-License-Identifier: GPL-3.0-or-later
// The list of all gear of the project, found by words and by what is needed.
#pragma once
#include <QWidget>

#include "base/id.h"
#include "base/shared.h"
#include "gear/antenna_model.h"
#include "gear/model.h"

class QComboBox;
class QLabel;
class QLineEdit;
class QListWidget;

namespace yemvo::app {

class UnitField;
class Workspace;

/// A model of access points or an external antenna.
struct GearId {
    ModelId model;
    AntennaId antenna;
    explicit operator bool() const { return model || antenna; }
    friend bool operator==(const GearId&, const GearId&) = default;
};

class GearList : public QWidget {
    Q_OBJECT
public:
    explicit GearList(Workspace&, QWidget* parent = nullptr);
    void refresh(GearId chosen);

signals:
    void chosen(yemvo::app::GearId);

private:
    void fill();
    bool fits(const AccessPointModel&) const;
    bool fits(const AntennaModel&) const;
    bool has_words(const QString& all) const;
    bool has_price(double price) const;
    void add_head(const QString& words);
    void add(const QString& name, const QString& below, GearId);
    Workspace& workspace_;
    GearId chosen_;
    Shared<std::vector<AccessPointModel>> models_;
    Shared<std::vector<AntennaModel>> antennas_;
    QLineEdit *search_, *price_;
    QComboBox *band_, *chains_, *mount_;
    QListWidget* list_;
};

/// "4×4 be, ceiling, 2.4 5 6 GHz, 420"
QString about(const AccessPointModel&);
QString about(const AntennaModel&);

}  // namespace yemvo::app
