// Which quantity the map shows, for which bands, radios and client, and how it is coloured.
#pragma once
#include <QWidget>

#include "app/shell/workspace.h"

class QComboBox;
class QToolButton;
class QLabel;
class QMenu;

namespace yemvo::app {

class LensBar : public QWidget {
    Q_OBJECT
public:
    explicit LensBar(Workspace&, QWidget* parent = nullptr);

private:
    QToolButton* segment(const QString& text, const QString& tip);
    void add_bands();
    void add_radios();
    void add_colouring();
    void fill_ticks(QMenu*);
    void refresh();
    void paintEvent(QPaintEvent*) override;
    void changeEvent(QEvent*) override;
    Workspace& workspace_;
    QComboBox *lens_, *client_;
    std::vector<QToolButton*> bands_, radios_;
    QToolButton* colouring_;
    QLabel *for_, *words_;
};

}  // namespace yemvo::app
