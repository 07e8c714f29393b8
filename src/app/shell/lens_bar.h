// Which quantity the map shows, and for which band.
#pragma once
#include <QWidget>

#include "app/shell/workspace.h"

class QComboBox;
class QToolButton;
class QLabel;

namespace yemvo::app {

class LensBar : public QWidget {
    Q_OBJECT
public:
    explicit LensBar(Workspace&, QWidget* parent = nullptr);

private:
    void refresh();
    void paintEvent(QPaintEvent*) override;
    Workspace& workspace_;
    QComboBox* lens_;
    std::vector<QToolButton*> bands_;
    QLabel* words_;
};

}  // namespace yemvo::app
