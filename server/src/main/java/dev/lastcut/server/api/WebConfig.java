package dev.lastcut.server.api;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** The interface's pages all start from one document; the API describes itself. */
@Configuration
class WebConfig implements WebMvcConfigurer {
    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        registry.addViewController("/").setViewName("forward:/index.html");
        registry.addViewController("/jobs/**").setViewName("forward:/index.html");
    }

    /** Properties that may be absent; every other one is always sent. */
    private static final Set<String> OPTIONAL = Set.of("signOff", "pin1X", "pin1Y");

    @Bean
    OpenApiCustomizer required() {
        return api -> api.getComponents().getSchemas().values().forEach(WebConfig::require);
    }

    private static void require(Schema<?> schema) {
        Map<?, ?> properties = schema.getProperties();
        if (properties != null) {
            schema.setRequired(
                    properties.keySet().stream()
                            .map(String::valueOf)
                            .filter(p -> !OPTIONAL.contains(p))
                            .sorted()
                            .toList());
        }
    }

    @Bean
    OpenAPI description() {
        return new OpenAPI()
                .info(new Info().title("Last Cut").version("1"))
                .servers(List.of(new Server().url("/")));
    }
}
